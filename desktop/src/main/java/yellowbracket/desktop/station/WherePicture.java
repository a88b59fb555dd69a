package yellowbracket.desktop.station;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.zone.Painted;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.theme.Role;
import yellowbracket.export.PropPicture;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.DepthMap;
import yellowbracket.smooth.SmoothWork;
import yellowbracket.smooth.Targets;
import yellowbracket.smooth.WorkedFacets;
import yellowbracket.work.SectionId;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** Where the work is: the prop of a task, with the sections or the zones lit that are worked on; all of it plain where none are named. */
public final class WherePicture extends ImageView {
    private static final int LARGEST = 560;

    private final AppModel model;
    private Optional<Place> shown = Optional.empty();

    private sealed interface Place {
        /** What is lit, in words. */
        Set<String> lit();

        PropPicture picture(int plain, int bright);

        boolean night();
    }

    /** A prop as it is cut, and which of its sections are worked on. */
    private record Sections(CutFigures.Drawing prop, Set<String> lit, boolean night) implements Place {
        @Override
        public PropPicture picture(int plain, int bright) {
            return PropPicture.of(prop.bySection(), lit, LARGEST, plain, bright);
        }
    }

    /** A prop with the areas lit that a step of the ladder is for. */
    private record Smoothed(CutFigures.Drawing prop, DepthMap map, Areas areas, Targets targets, List<String> where, double scale,
            boolean night) implements Place {
        @Override
        public Set<String> lit() {
            return Set.copyOf(where);
        }

        @Override
        public PropPicture picture(int plain, int bright) {
            var lit = WorkedFacets.of(prop.bySection(), scale, map, areas, targets, where);
            return PropPicture.of(prop.bySection(), (name, f) -> lit.get(name)[f], LARGEST, plain, bright);
        }
    }

    /** A prop in its zones, and which of them are painted. */
    private record Zones(Painted prop, Set<Integer> zones, String name, boolean night) implements Place {
        @Override
        public Set<String> lit() {
            return Set.of(name);
        }

        @Override
        public PropPicture picture(int plain, int bright) {
            return PropPicture.of(prop.mesh(), f -> zones.contains(prop.zone(f)), LARGEST, plain, bright);
        }
    }

    public WherePicture(AppModel model) {
        this.model = model;
        setPreserveRatio(true);
        setId("where");
    }

    /** Made anew only where it differs. */
    public void show(Optional<Task> task) {
        place(task.flatMap(t -> zones(t).or(() -> smoothed(t)).or(() -> sectioned(t))), task.map(Task::prop).orElse(""));
    }

    /** One section of a prop. */
    public void show(SectionId section) {
        place(model.derived()
                .get(CutFigures.DRAWING, section.prop())
                .map(d -> new Sections(d, Set.of(section.letter()), model.nightProperty().get())), section.prop());
    }

    private void place(Optional<Place> place, String prop) {
        if (place.equals(shown)) return;
        shown = place;
        setImage(place.map(WherePicture::image).orElse(null));
        setAccessibleText(
                "where: " + prop + place.filter(p -> !p.lit().isEmpty()).map(p -> ", lit: " + String.join(", ", p.lit())).orElse(""));
    }

    private Optional<Place> sectioned(Task t) {
        return model.derived().get(CutFigures.DRAWING, t.prop()).map(d -> new Sections(d, sections(t), model.nightProperty().get()));
    }

    /** Of coats that do not go all over. */
    private Optional<Place> zones(Task t) {
        if (!(t.id() instanceof TaskId.Step s) || s.series() != TaskId.Series.COLOUR) return Optional.empty();
        var light = model.derived().get(ColourFigures.LIGHT, t.prop());
        return model.derived()
                .get(ColourFigures.COLOUR, t.prop())
                .filter(c -> s.number() <= c.coats().size())
                .map(c -> c.coats().get(s.number() - 1))
                .filter(c -> !c.zones().isEmpty() && !c.zone().equals(ColourPlan.ALL))
                .flatMap(c -> light.map(l -> new Zones(l.painted(), Set.copyOf(c.zones()), c.zone(), model.nightProperty().get())));
    }

    /** Of a step of the ladder, where it is not for everything. */
    private Optional<Place> smoothed(Task t) {
        var plan = model.derived().get(SmoothFigures.SMOOTH, t.prop());
        var work = plan.flatMap(p -> SmoothWork.work(p, t.id())).filter(w -> !w.where().isEmpty());
        var map = model.derived().get(SmoothFigures.MAP, t.prop());
        var prop = model.shownProperty().get().prop(t.prop());
        if (work.isEmpty() || map.isEmpty() || prop.isEmpty()) return Optional.empty();
        return model.derived()
                .get(CutFigures.DRAWING, t.prop())
                .map(d -> new Smoothed(d, map.get(), plan.get().areas(), prop.get().smooth().targets(prop.get().scale()),
                        work.get().where(), prop.get().scale(), model.nightProperty().get()));
    }

    private Set<String> sections(Task t) {
        return switch (t.id()) {
            case TaskId.Print p -> p.sections().stream().map(SectionId::letter).collect(Collectors.toCollection(TreeSet::new));
            case TaskId.Clean c -> Set.of(c.section().letter());
            case TaskId.Resin r -> Set.of(r.section().letter());
            case TaskId.Step s when s.series() == TaskId.Series.JOIN -> model.derived()
                    .get(JoinFigures.JOINS, t.prop())
                    .stream()
                    .flatMap(j -> j.steps().stream())
                    .filter(x -> x.number() == s.number())
                    .flatMap(x -> Stream.concat(x.one().stream(), x.other().stream()))
                    .collect(Collectors.toCollection(TreeSet::new));
            default -> Set.of();
        };
    }

    private static Image image(Place p) {
        var picture = p.picture(rgb(Role.PLASTIC.colour(p.night())), rgb(Role.YELLOW.colour(p.night())));
        var out = new WritableImage(picture.wide(), picture.tall());
        out.getPixelWriter()
                .setPixels(0, 0, picture.wide(), picture.tall(), PixelFormat.getIntArgbInstance(), picture.argb(), 0, picture.wide());
        return out;
    }

    private static int rgb(Color c) {
        return (int) Math.round(255 * c.getRed()) << 16 | (int) Math.round(255 * c.getGreen()) << 8 | (int) Math.round(255 * c.getBlue());
    }
}
