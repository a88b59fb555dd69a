package yellowbracket.derive;

/** A figure somebody waits for. */
public record Want(Figure<?> figure, String prop) {
    public static Want ofBuild(Figure<?> figure) {
        return new Want(figure, Figure.BUILD);
    }
}
