package yellowbracket.desktop.shell;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.station.colour.ColourView;
import yellowbracket.desktop.station.cut.CutView;
import yellowbracket.desktop.station.join.JoinView;
import yellowbracket.desktop.station.log.LogView;
import yellowbracket.desktop.station.plan.PlanView;
import yellowbracket.desktop.station.print.PrintView;
import yellowbracket.desktop.station.size.SizeView;
import yellowbracket.desktop.station.smooth.SmoothView;
import yellowbracket.desktop.station.wear.WearView;

/** The view of every page. */
final class Pages implements AutoCloseable {
    /** What views are made with. */
    record Parts(AppModel model, Bench bench, Timers timers, FileActions files, Runnable benchMode) {}

    private record Made(Page page, BiFunction<Parts, Pages, StationView> by) {}

    /** A new page is one line here; a page may stand on those above it. */
    private static final List<Made> ALL = List.of(new Made(Page.SIZE, (p, before) -> new SizeView(p.model, p.bench)),
            new Made(Page.CUT, (p, before) -> new CutView(p.model, p.bench, p.files::exportSections)),
            new Made(Page.PRINT, (p, before) -> new PrintView(p.model, p.bench)),
            new Made(Page.JOIN, (p, before) -> new JoinView(p.model, p.bench, p.timers)),
            new Made(Page.SMOOTH, (p, before) -> new SmoothView(p.model, p.bench, p.files::exportLabels)),
            new Made(Page.COLOUR, (p, before) -> new ColourView(p.model, p.bench)),
            new Made(Page.WEAR, (p, before) -> new WearView(p.model, p.bench, p.timers)),
            new Made(Page.LOG,
                    (p, before) -> new LogView(p.model, p.bench, before.of(Page.COLOUR),
                            new LogView.Exports(p.files::exportLog, p.files::exportBook, p.files::importLog))),
            new Made(Page.PLAN, (p, before) -> new PlanView(p.model, p.bench, before.of(Page.COLOUR),
                    new PlanView.Exports(p.files::exportCalendar, p.files::exportShopping, p.files::exportBoard), p.benchMode)));

    private final Map<Page, StationView> views = new EnumMap<>(Page.class);

    Pages(Parts parts) {
        for (var m : ALL) views.put(m.page, m.by.apply(parts, this));
    }

    StationView of(Page page) {
        return views.get(page);
    }

    void forEach(BiConsumer<Page, StationView> what) {
        views.forEach(what);
    }

    @Override
    public void close() {
        views.values().forEach(StationView::close);
    }
}
