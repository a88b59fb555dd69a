package yellowbracket.desktop.station.print;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.document.Edit;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.print.Coupon;
import yellowbracket.shop.FitError;
import yellowbracket.shop.Printer;

/** How far off a printer's holes and pegs are: a test piece to print, and three readings. */
final class FitRows {
    private final AppModel model;

    FitRows(AppModel model) {
        this.model = model;
    }

    void write(Card card, Printer p) {
        var hole = field(p, "hole", Coupon.ROUND_MM, p.fit().map(f -> Coupon.ROUND_MM + f.holeMm()));
        var peg = field(p, "peg", Coupon.ROUND_MM, p.fit().map(f -> Coupon.ROUND_MM + f.pegMm()));
        var length = field(p, "length", Coupon.LENGTH_MM, p.fit().map(f -> Coupon.LENGTH_MM + f.lengthMm()));
        Runnable take = () -> hole.read().ifPresent(h -> peg.read().ifPresent(g -> length.read().ifPresent(l -> taken(p, h, g, l))));
        for (var f : List.of(hole, peg, length)) f.setOnAction(e -> take.run());
        var write = Card.action("test piece ...", this::write);
        write.setAccessibleText("write the test piece for holes and pegs");
        card.row("hole, peg, length", hole, peg, length, write);
        p.fit()
                .ifPresent(f -> card.row("comes out", Card.more(Words.text("holes %+.2f, pegs %+.2f mm: of 0.20 mm drawn %.2f are left",
                        f.holeMm(), f.pegMm(), f.clearanceMm(0.2)))));
    }

    private NumberField field(Printer p, String what, double drawn, Optional<Double> now) {
        DoubleFunction<String> two = v -> Words.text("%.2f", v);
        var f = new NumberField("fit-" + what + "-" + p.tag(), what + " of the test piece on " + p.name(),
                Words.text("mm between %.0f and %.0f, such as %.2f", drawn - 2, drawn + 2, drawn - 0.12), drawn - 2, drawn + 2,
                words -> model.tell(AppModel.Tone.STOP, words)).with(now.map(two::apply).orElse(""));
        f.setPromptText(Words.text("%.0f mm", drawn));
        f.setPrefWidth(62);
        return f;
    }

    private void taken(Printer p, double hole, double peg, double length) {
        try {
            FitError e = Coupon.measured(hole, peg, length);
            model.apply(Edit.printer("test piece of " + p.name(), p.name(), q -> q.withFit(Optional.of(e))));
        } catch (IllegalArgumentException wrong) {
            model.tell(AppModel.Tone.STOP, wrong.getMessage());
        }
    }

    private void write() {
        model.ask().toSave("a test piece for holes and pegs", "fit-test.stl", AskFile.Kind.ANY).ifPresent(this::write);
    }

    private void write(Path to) {
        model.background("writing the test piece", p -> {
            try {
                MeshWriter.write(List.of(new MeshWriter.Named("fit test", Coupon.mesh())),
                        MeshWriter.Kind.of(to).orElse(MeshWriter.Kind.STL), to);
                return to;
            } catch (IOException e) {
                throw new IllegalStateException(WriteProblem.words(e) + "; choose another folder", e);
            }
        }, f -> model.tell(AppModel.Tone.GOOD, f.getFileName() + " written: print it, measure hole, peg and length over all"));
    }
}
