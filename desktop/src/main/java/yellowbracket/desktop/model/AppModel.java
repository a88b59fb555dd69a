package yellowbracket.desktop.model;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.util.Duration;
import yellowbracket.cut.Letters;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Memo;
import yellowbracket.derive.Workings;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.all.LogEdit;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.device.ForecastFile;
import yellowbracket.device.SimulatedPrinter;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Photo;
import yellowbracket.document.Prop;
import yellowbracket.document.Session;
import yellowbracket.document.ShopFile;
import yellowbracket.intake.Intake;
import yellowbracket.intake.Stance;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Scheduler;
import yellowbracket.program.Memory;
import yellowbracket.program.ProgramLog;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.shop.Eyes;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Catalogue;
import yellowbracket.size.Reference;
import yellowbracket.shop.Wearer;
import yellowbracket.shop.Printer;

/**
 * What the window shows: the open session, its derived results, which page and prop. Written on the interface thread only; results arrive
 * from the
 * workings and are coalesced, newest wins. Holds no node and no stage.
 */
public final class AppModel implements AutoCloseable {
    /** Something to tell the user, and whether it is bad. */
    public record Message(Tone tone, String words) {}

    /** How a message is meant. */
    public enum Tone { GOOD, NOTE, STOP }

    private final Catalogue shop = Catalogue.builtIn();
    private WeatherFeed weather;
    private final WeatherFeed usualWeather;
    private final Clock clock;
    private final Workings workings;
    private final Path shopFile;
    private final Sessions sessions;
    private AskFile ask = AskFile.dialogs();
    private int round;
    private final Background background = new Background(words -> tell(Tone.STOP, words));
    private final Background planning = new Background(words -> tell(Tone.STOP, words));
    private final AtomicReference<Derived> pending = new AtomicReference<>();

    private final ReadOnlyObjectWrapper<Build> shown = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Derived> derived = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<String> busy = new ReadOnlyObjectWrapper<>("");
    private final ReadOnlyObjectWrapper<Message> message = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Optional<LocalDateTime>> ghost = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ObjectProperty<Page> page = new SimpleObjectProperty<>(Page.SIZE);
    private final StringProperty tab = new SimpleStringProperty("");
    private final StringProperty prop = new SimpleStringProperty("");
    private final BooleanProperty inches = new SimpleBooleanProperty();
    private final BooleanProperty night = new SimpleBooleanProperty();
    /** Faults of the simulated printers against the shop's rate: they are there to be seen. */
    private static final double LINK_FAULTS = 6;
    /** Hours they print in a second. */
    private static final double LINK_PACE = 0.5;
    private final Map<String, SimulatedPrinter> links = new HashMap<>();
    private static final long TAKE_MS = 180;
    private static final Duration PAINT_FIRST = Duration.millis(180);
    private static final int PAINTING_AT_MOST_MS = 600;
    private long taken = System.nanoTime() - 1_000_000_000L;
    private Optional<Watch> watch = Optional.empty();
    /** The shelf as the shop has it. */
    private Optional<List<StockItem>> shared = Optional.empty();
    private final ReadOnlyObjectWrapper<Optional<Path>> file = new ReadOnlyObjectWrapper<>(Optional.empty());

    /** @param shopFile where wearers and learned rates are kept across builds */
    public AppModel(Beginning begun, WeatherFeed weather, Clock clock, Path shopFile) {
        this(begun, weather, clock, shopFile, new Memo());
    }

    /** @param memo results known already */
    public AppModel(Beginning begun, WeatherFeed weather, Clock clock, Path shopFile, Memo memo) {
        this.weather = weather;
        usualWeather = weather;
        this.clock = clock;
        this.shopFile = shopFile;
        sessions = new Sessions(this, begun.keeping);
        workings = Everything.workings(shop, weather, clock, memo, this::arrived);
        sessions.begin(begun);
        background.busyProperty().subscribe(x -> busy());
        sessions.busyProperty().subscribe(x -> busy());
    }

    /** The file the open build was opened from or saved to. */
    public ReadOnlyObjectProperty<Optional<Path>> fileProperty() {
        return file.getReadOnlyProperty();
    }

    /** Opening, saving, leaving. */
    public Sessions sessions() {
        return sessions;
    }

    public AskFile ask() {
        return ask;
    }

    /** Files are asked for in this way from now on. */
    public void askWith(AskFile way) {
        ask = way;
    }

    private void busy() {
        busy.set(background.busyProperty().get().isEmpty() ? sessions.busyProperty().get() : background.busyProperty().get());
    }

    /** Another session is open. */
    void began() {
        var s = session();
        links.values().forEach(SimulatedPrinter::close);
        links.clear();
        prop.set(s.build().props().isEmpty() ? "" : s.build().props().getFirst().id());
        shared = Optional.empty();
        workings.reserved(List.of());
        refresh();
        shareShelf();
    }

    /** What other builds need of the shelf, and what stands there by the shop: another build may have taken of it meanwhile. */
    private void shareShelf() {
        var build = session().build();
        if (build.demo()) return;
        background.execute(() -> {
            try {
                var shop = ShopFile.read(shopFile);
                Platform.runLater(() -> {
                    if (!session().build().key().equals(build.key())) return;
                    shared = Optional.of(shop.stock());
                    workings.reserved(shop.others(build.key(), now()));
                    refresh();
                });
            } catch (IOException e) {
                // told when the first build was made: nothing is reserved that nobody can read
            }
        });
    }

    /** What stands on the shelf by the shop's own file, where that is another thing than this build has; it may be taken over. */
    public Optional<List<StockItem>> shelfElsewhere() {
        return shared.filter(s -> !s.isEmpty() && !s.equals(session().build().stock()));
    }

    private void arrived(Derived d) {
        if (pending.getAndSet(d) == null) Platform.runLater(this::take);
    }

    /** At most some five times a second: each change may write a card and draw. */
    private void take() {
        long wait = TAKE_MS - (System.nanoTime() - taken) / 1_000_000;
        if (wait > 0) {
            var later = new PauseTransition(Duration.millis(wait));
            later.setOnFinished(e -> take());
            later.play();
            return;
        }
        taken = System.nanoTime();
        derived.set(pending.getAndSet(null));
    }

    private void refresh() {
        file.set(session().file());
        shown.set(session().shown());
        if (!prop.get().isEmpty() && session().shown().prop(prop.get()).isEmpty()) prop.set("");
        if (prop.get().isEmpty() && !session().shown().props().isEmpty()) prop.set(session().shown().props().getFirst().id());
        ghost.set(Optional.empty());
        round++;
        workings.show(session().shown(), session().meshes(), prop.get());
    }

    public void apply(Edit edit) {
        session().apply(edit);
        refresh();
        sessions.edited();
    }

    /** @param mesh that the edit speaks of by its hash */
    public void apply(Edit edit, Mesh mesh) {
        session().addMesh(mesh);
        apply(edit);
    }

    /** Writes a line in the log, with what the plan knows of it. Returns the entry, none for a blank line. */
    public Optional<Entry> note(String line) {
        LogEdit.of(now(), line, session().build(), derived()).ifPresent(this::apply);
        return Entry.parse(now(), line, session().build());
    }

    /** Puts a picture beside an entry of the log. */
    public void addPhoto(Entry entry, Path file) {
        background("reading " + file.getFileName(), p -> Photo.read(file), outcome -> {
            switch (outcome) {
                case Photo.Outcome.Refused r -> tell(Tone.STOP, r.problem().sentence());
                case Photo.Outcome.Read r -> {
                    session().addPhoto(r.photo());
                    apply(Edit.photo(entry, r.photo().name()));
                }
            }
        });
    }

    /** A line with a photo beside it; nothing is noted where it is no picture. @param shows the place it shows, as {@link Entry#shows} */
    public void notePhoto(String line, String shows, Path file) {
        background("reading " + file.getFileName(), p -> Photo.read(file), outcome -> {
            switch (outcome) {
                case Photo.Outcome.Refused r -> tell(Tone.STOP, r.problem().sentence());
                case Photo.Outcome.Read r -> Entry.parse(now(), line, session().build()).ifPresent(e -> {
                    session().addPhoto(r.photo());
                    var entry = e.withPhoto(r.photo().name()).withShows(shows);
                    apply(new Edit("photo: " + line, b -> b.with(entry)));
                });
            }
        });
    }

    /** Keeps a picture of what a prop is to look like. @param name of the reference */
    public void addReference(String prop, String name, Path file) {
        background("reading " + file.getFileName(), p -> Photo.read(file), outcome -> {
            switch (outcome) {
                case Photo.Outcome.Refused r -> tell(Tone.STOP, r.problem().sentence());
                case Photo.Outcome.Read r -> {
                    session().addPhoto(r.photo());
                    apply(Edit.reference("picture " + name, prop, new Reference(name, "", r.photo().name(), List.of(), List.of())));
                }
            }
        });
    }

    public void preview(Edit edit) {
        session().preview(edit);
        refresh();
    }

    public void endPreview() {
        session().endPreview();
        refresh();
    }

    public void undo() {
        session().undo();
        refresh();
        sessions.edited();
    }

    public void redo() {
        session().redo();
        refresh();
        sessions.edited();
    }

    /** The guess of unit and way up comes in with the mesh and stays a finding until somebody settles it. */
    void add(Mesh mesh, int bodies, String name, Stance stance, String notices) {
        var build = session().build();
        String id = "p" + (build.props().size() + 1) + "-" + mesh.contentHash().substring(0, 6);
        session().addMesh(mesh);
        var intake = Intake.guessed(stance);
        var taken = stance.differs(Intake.AS_IT_IS) || !stance.sure() ? intake : intake.accepted();
        var found = Prop.fromFile(id, name, mesh.contentHash(), Letters.from(build.freeLetter(), bodies), taken, shop.profile("usual"));
        var edit = Edit.addProp(found, mesh);
        boolean first = build.props().isEmpty() && build.name().equals(Build.UNNAMED);
        apply(first && !name.isBlank() ? new Edit(edit.name(), b -> edit.change().apply(b).withName(name)) : edit);
        prop.set(id);
        refresh();
        page.set(Page.SIZE);
        var size = intake.placed(mesh.bounds().min()).minus(intake.placed(mesh.bounds().max()));
        tell(Tone.GOOD,
                Words.text("%s: %s triangles, %s", name, Words.whole(mesh.triangleCount()),
                        words().size(new Vec3(Math.abs(size.x()), Math.abs(size.y()), Math.abs(size.z()))))
                        + (notices.isEmpty() ? "" : "; " + notices));
    }

    /** The open session is in its file. */
    void saved() {
        file.set(session().file());
        shown.set(null); // the dirty mark follows the build
        shown.set(session().shown());
        keepLessons();
    }

    /** Printers, spools and what this build has taught go to the shop, for the builds to come. */
    private void keepLessons() {
        var d = derived.get();
        var build = session().build(); // here: the session may be another by the time the file is written
        String key = build.key();
        changeShop(s -> s.after(build));
        shared = Optional.of(build.stock());
        if (d != null && d.fresh(PlanFigures.TASKS, Figure.BUILD))
            d.get(PlanFigures.TASKS).ifPresent(t -> changeShop(s -> s.withLessons(key, t.own())));
        if (d != null && d.fresh(ShelfFigures.RESERVED, Figure.BUILD))
            d.get(ShelfFigures.RESERVED).ifPresent(r -> changeShop(s -> s.withReserved(key, r)));
        var looks = build.props().stream().map(p -> d == null ? Optional.<Eyes>empty() : d.get(SmoothFigures.TAUGHT, p.id())).toList();
        if (looks.stream().allMatch(Optional::isPresent))
            changeShop(s -> s.withLooks(key, looks.stream().map(Optional::get).reduce(Eyes.UNKNOWN, Eyes::and)));
    }

    /** A wearer's card belongs to the build and to the shop. */
    public void keepWearer(Wearer w) {
        keepWearer(w, false);
    }

    /** @param wears the prop that is shown is sized for this wearer from now on, in the same step of the history */
    public void keepWearer(Wearer w, boolean wears) {
        var edit = Edit.wearer(w);
        apply(wears && currentProp().isPresent() ? edit.and(Edit.wearers(currentProp().get().id(), List.of(w.name()))) : edit);
        changeShop(s -> s.withWearer(w));
    }

    /** Reads, changes and writes the shop file on the file thread; the demo's made-up people and rates stay out of it. */
    private void changeShop(java.util.function.UnaryOperator<ShopFile> change) {
        if (session().build().demo()) return;
        background.execute(() -> {
            try {
                change.apply(ShopFile.read(shopFile)).write(shopFile);
            } catch (IOException e) {
                tell(Tone.STOP, "the shop file was not written (" + WriteProblem.words(e) + "): wearers and rates stay in this build only");
            }
        });
    }

    /** Runs work on the file thread and hands its result to the interface thread; a refusal is told as a message. */
    public <T> void background(String what, Function<Progress, T> work, Consumer<T> then) {
        background.run(what, work, then);
    }

    /** A thread of its own for long searches, so that files and the journal do not wait for them. */
    public Background planning() {
        return planning;
    }

    /** Whether what is going on can be stopped: reading can, saving cannot. */
    public boolean canStop() {
        return !background.busyProperty().get().isEmpty();
    }

    public void cancelBackground() {
        background.cancel();
    }

    /** The link to a printer of the shop: a simulated one, for want of another. It lives as long as the window. */
    public SimulatedPrinter link(Printer p) {
        return links.computeIfAbsent(p.name(), name -> {
            var link = new SimulatedPrinter(name, session().build().seed() * 31 + name.hashCode(), LINK_FAULTS * p.failuresPerHour());
            link.run(LINK_PACE);
            return link;
        });
    }

    /** From any thread. */
    public void tell(Tone tone, String words) {
        if (tone == Tone.STOP) ProgramLog.refusal(words,
                sessions == null || session() == null ? List.of() : session().build().wearers().stream().map(w -> w.name()).toList());
        if (Platform.isFxApplicationThread()) message.set(new Message(tone, words));
        else Platform.runLater(() -> message.set(new Message(tone, words)));
    }

    /**
     * What another build would mean; {@code then} runs on the interface thread, unless the shown build changed or {@link #dropWhatIfs}
     * was called meanwhile.
     */
    public void whatIf(Edit edit, Consumer<Derived> then) {
        int asked = round;
        var later = new PauseTransition(PAINT_FIRST); // the page that asks is shown before its what-ifs take the processor
        later.setOnFinished(e -> {
            if (round != asked) return; // the build has changed meanwhile, or the page
            workings.whatIf(edit.change().apply(session().build()), session().meshes(), (b, d) -> Platform.runLater(() -> {
                if (round == asked) then.accept(d); // it may have changed since it was answered, too
            }));
        });
        later.play();
    }

    /** Long work that stands still while results are worked out; on the caller's thread. */
    public <T> T patiently(Progress progress, Function<Progress, T> work) {
        return workings.patiently(progress, work);
    }

    /** What-ifs asked for so far are wanted no more: the page that asked is left. */
    public void dropWhatIfs() {
        round++;
        workings.dropWhatIfs();
    }

    /** Whoever turned a page or the model waits for it to be painted: what is worked out stands still until {@link #painted}. */
    public void paintFirst() {
        workings.giveWay(PAINTING_AT_MOST_MS);
    }

    /** What is worked out goes on. */
    public void painted() {
        workings.goOn();
    }

    /** For moments when nobody waits: see {@link Memory#giveBack}. */
    public void giveMemoryBack() {
        background.execute(Memory::giveBack);
    }

    /** Changes whenever results are asked for anew; what-ifs of an earlier round are never answered. */
    public int round() {
        return round;
    }

    /** Draws a ghost bracket where an alternative would end; empty takes it away. */
    public void ghost(Optional<LocalDateTime> finish) {
        ghost.set(finish);
    }

    public Optional<Prop> currentProp() {
        return shown.get() == null ? Optional.empty() : shown.get().prop(prop.get());
    }

    /** Whether everything is worked out for the build that is shown. */
    public boolean allDerived() {
        var d = derived.get();
        return d != null && d.through() && d.build().equals(Optional.ofNullable(shown.get()));
    }

    /** The results so far; what is asked of them while a card is written counts as shown on it. */
    public Derived derived() {
        var d = derived.get() == null ? Derived.NOTHING : derived.get();
        return watch.map(w -> w.over(d)).orElse(d);
    }

    /** Runs what writes a card or draws, and tells what it was told. */
    public Watch watching(Runnable writing) {
        var before = watch;
        var mine = new Watch(decisions());
        watch = Optional.of(mine);
        try {
            writing.run();
        } finally {
            watch = before;
        }
        return mine;
    }

    public boolean holds(Watch w) {
        return w.holds(decisions(), derived.get() == null ? Derived.NOTHING : derived.get());
    }

    public boolean stale(Watch w) {
        return derived.get() != null && w.stale(derived.get());
    }

    private List<Object> decisions() {
        return List.of(Optional.ofNullable(shown.get()), prop.get(), inches.get());
    }

    /** A result that is kept once for the whole build. */
    public <T> Optional<T> ofBuild(Figure<T> node) {
        return derived().get(node);
    }

    public <T> Optional<T> result(Figure<T> node) {
        return derived().get(node, prop.get());
    }

    /** The better one as soon as it is found; until then the one that is there at once. */
    public Optional<Schedule> schedule() {
        var better = derived().get(PlanFigures.BETTER).map(Scheduler.Better::schedule);
        var first = derived().get(PlanFigures.SCHEDULE);
        boolean found = derived().fresh(PlanFigures.BETTER, Figure.BUILD) || !derived().fresh(PlanFigures.SCHEDULE, Figure.BUILD);
        return found ? better.or(() -> first) : first;
    }

    public boolean fresh(Figure<?> node) {
        return derived().fresh(node, prop.get());
    }

    public Words words() {
        return new Words(inches.get());
    }

    /** The catalogue, with what the labels say that this maker has read. */
    public Catalogue shop() {
        var build = shown.get();
        return build == null ? shop : shop.with(build.paints().products());
    }

    public WeatherFeed weather() {
        return weather;
    }

    /** Reads a forecast that is used from then on; one that cannot be read is told, and nothing changes. */
    public void useForecast(Path file) {
        background("reading " + file.getFileName(), p -> {
            try {
                return Optional.of(ForecastFile.read(file, usualWeather));
            } catch (ForecastFile.Unreadable e) {
                tell(Tone.STOP, e.getMessage());
                return Optional.<ForecastFile>empty();
            }
        }, read -> read.ifPresent(f -> {
            weather = f;
            workings.weather(f);
            refresh();
            tell(Tone.GOOD, "weather from " + f.source());
        }));
    }

    public LocalDateTime now() {
        return LocalDateTime.now(clock);
    }

    public Session session() {
        return sessions.current();
    }

    public ReadOnlyObjectProperty<Build> shownProperty() {
        return shown.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Derived> derivedProperty() {
        return derived.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Message> messageProperty() {
        return message.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<LocalDateTime>> ghostProperty() {
        return ghost.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<String> busyProperty() {
        return busy.getReadOnlyProperty();
    }

    public ObjectProperty<Page> pageProperty() {
        return page;
    }

    /** Turns to a page, at one of its tabs. */
    public void go(Page to, String at) {
        page.set(to);
        tab.set(at);
    }

    /** A tab of the page that somebody asks for; empty again once it is shown. */
    public StringProperty tabProperty() {
        return tab;
    }

    public StringProperty propProperty() {
        return prop;
    }

    /** Shows another prop of the build. */
    public void choose(String id) {
        prop.set(id);
        refresh();
    }

    public BooleanProperty inchesProperty() {
        return inches;
    }

    public BooleanProperty nightProperty() {
        return night;
    }

    /** What is neither saved nor discarded comes back at the next start. */
    @Override
    public void close() {
        sessions.close();
        links.values().forEach(SimulatedPrinter::close);
        background.close();
        planning.close();
        workings.close();
    }
}
