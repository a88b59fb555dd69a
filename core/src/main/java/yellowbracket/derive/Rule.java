package yellowbracket.derive;

/** Makes one figure's value. Pure: everything it looks at comes through {@code in}, on the thread that called it. */
public interface Rule<T> {
    T make(Reads in);
}
