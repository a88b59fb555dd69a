package yellowbracket.desktop.station.smooth;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.finding.Weight;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.Skin;
import yellowbracket.smooth.SmoothPlan;

/** How much solid print is beneath, what the ladder takes of it, where a machine may go. */
final class SkinPart extends SmoothPart {
    /** A hand takes half as much again in places. */
    private static final double UNEVEN = 1.5;

    SkinPart(SmoothView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "how much wall there is to sand into";
    }

    /** @param filmUm that stands over the peaks when all is done */
    private record Left(Areas.Area area, double takenUm, double filmUm) {
        double leftMm() {
            return area.skinMm() - takenUm / 1000;
        }

        String machine() {
            boolean may = area.shape() == Areas.Shape.FLAT || area.shape() == Areas.Shape.CURVED;
            return !may ? "no: too tight" : leftMm() < Skin.MACHINE_MM ? "no: too thin" : "yes";
        }
    }

    private static Left left(SmoothPlan plan, Areas.Area a) {
        var steps = plan.ladders().getOrDefault(a, List.of());
        return new Left(a, UNEVEN * steps.stream().mapToDouble(Ladder.Step::printUm).sum(), steps.isEmpty() ? 0 : steps.getLast().overUm());
    }

    @Override
    void write(Card card, SmoothPlan plan) {
        var all = plan.areas().list().stream().map(a -> left(plan, a)).sorted(Comparator.comparingDouble(Left::leftMm)).toList();
        if (all.isEmpty()) {
            card.text("nothing is to be smoothed");
            return;
        }
        var least = all.getFirst();
        boolean thin = least.leftMm() < Skin.LEAST_MM;
        card.row("least left", Words.text("%.2f mm", Math.max(0, least.leftMm())),
                "of solid print over the infill, after all sanding: " + least.area.words(), thin ? "stop" : "good");
        if (thin) card.finding(Weight.CARE, "paper goes through to the infill there: print a wall or a top layer more, or choose a school "
                + "that fills instead of sanding", "", () -> {});
        card.add(new Sheet<Left>("skin", "").words("", l -> l.area.words())
                .number("there mm", l -> l.area.skinMm(), l -> Words.text("%.2f", l.area.skinMm()))
                .number("taken \u00b5m", Left::takenUm, l -> Words.text("%.0f", l.takenUm))
                .number("left mm", Left::leftMm, l -> Words.text("%.2f", l.leftMm()))
                .number("film \u00b5m", Left::filmUm, l -> Words.text("%.0f", l.filmUm))
                .words("sander", Left::machine)
                .rows(all, 14));
        var material = model.shop().material(prop().print().profile().material());
        card.row("warmth", Words.text("%.0f \u00b0C", material.softensC()),
                material.name() + " softens: " + material.sanding() + ". Never a machine on edges and corners");
        card.text(
                "walls cover slopes, top layers cover flats: between them, at about half-way, the skin is thinnest. Taken is half as much "
                        + "again as planned, for a hand is uneven.");
    }

    @Override
    void draw(SmoothPlan plan) {
        var things = view.painted(Ramp.skin(),
                f -> f.place().target().worked() ? f.place().skinMm() - f.area().map(a -> left(plan, a).takenUm / 1000).orElse(0.0)
                        : Double.NaN);
        var thin = view.map().orElseThrow().worked().stream().min(Comparator.comparingDouble(p -> p.skinMm()));
        var labels = thin.map(p -> List.of(new Bench.Callout(p.at(), Words.text("least: %.2f mm", p.skinMm()), ""))).orElse(List.of());
        view.shown(things, labels, plan, "skin");
        view.bench().legend().ramp(Optional.of(Ramp.skin()), words().unit(), words().inches() ? 1 / 25.4 : 1);
    }
}
