package yellowbracket.desktop.widget;

import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.scene.control.TextField;

/**
 * A field for one number; a comma counts as a point, a trailing % or mm is passed over, other units are refused. What is no number in its
 * range is marked and told, and nothing else happens.
 */
public final class NumberField extends TextField {
    private final String what;
    private final String example;
    private final double least;
    private final double most;
    private final Consumer<String> tell;
    private String taken = "";

    /**
     * @param what named in the refusal: {@code scale}; @param example {@code per cent between 1 and 5000, such as 104.5}; @param tell hears
     * the refusal
     */
    public NumberField(String id, String what, String example, double least, double most, Consumer<String> tell) {
        this.what = what;
        this.example = example;
        this.least = least;
        this.most = most;
        this.tell = tell;
        setId(id);
        setPrefWidth(72);
        setMinWidth(60);
        setAccessibleText(what + ": " + example);
    }

    public NumberField with(String text) {
        setText(text);
        taken = text;
        return this;
    }

    /** Whether something is typed that was not taken yet. */
    public boolean edited() {
        return !getText().equals(taken);
    }

    /** The number, or nothing once the refusal was told. */
    public OptionalDouble read() {
        double v;
        try {
            v = Double.parseDouble(getText().replaceAll("(%|mm|\\s)", "").replace(',', '.'));
        } catch (NumberFormatException e) {
            v = Double.NaN;
        }
        getStyleClass().remove("wrong");
        if (v >= least && v <= most) {
            taken = getText();
            return OptionalDouble.of(v);
        }
        getStyleClass().add("wrong");
        tell.accept(what + " \"" + getText() + "\": type " + example);
        return OptionalDouble.empty();
    }
}
