package yellowbracket.desktop.widget;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.ChoiceBox;
import javafx.util.StringConverter;

/** One of a few values, each shown by its words; the value itself, never its words, is what is chosen. */
public final class Choice<T> extends ChoiceBox<T> {
    /** @param what read out to those who do not see it; @param then hears each value chosen other than {@code now} */
    public Choice(String id, String what, List<T> values, T now, Function<T, String> words, Consumer<T> then) {
        setId(id);
        setAccessibleText(what);
        setConverter(new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : words.apply(value);
            }

            @Override
            public T fromString(String s) {
                return getValue(); // nothing is typed here
            }
        });
        getItems().setAll(values);
        setValue(now);
        valueProperty().subscribe((before, value) -> {
            if (value != null && !value.equals(before)) then.accept(value);
        });
    }
}
