package yellowbracket.desktop.shell;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Watch;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Keys;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.document.Build;

/**
 * The job card of the page on screen. It is written anew when something it was told has changed; the cards of pages that were left are
 * kept for as long as nothing has.
 */
final class CardPane extends ScrollPane {
    private static final double WIDTH = 480;
    private static final double LEAST_WIDTH = 400;
    /** What a card says of the hour is as old as results are allowed to be. */
    private static final long KEPT_NS = 300_000_000_000L;
    private static final PseudoClass STALE = PseudoClass.getPseudoClass("stale");

    /** A card as it was written. @param at when, ns; @param fields what stood in its fields; @param of the build it tells of */
    private record Written(Card card, String tab, Watch told, long at, Map<TextField, String> fields, Build of) {
        /** Whether something is typed on it that was not taken yet: the build is the one it was written for. */
        boolean typed(Build now) {
            return now == of && fields.entrySet()
                    .stream()
                    .anyMatch(e -> e.getKey() instanceof NumberField n ? n.edited() : !e.getKey().getText().equals(e.getValue()));
        }
    }

    private final AppModel model;
    private final Node elsewhere;
    private final StackPane aside = new StackPane();
    private final Map<Page, Written> written = new EnumMap<>(Page.class);
    private Optional<Page> shown = Optional.empty();
    private Optional<ButtonBase> pressed = Optional.empty();
    private Runnable letGo = () -> {};
    private boolean putOff;

    /** @param elsewhere has the keys when a card has nothing for them */
    CardPane(AppModel model, Node elsewhere) {
        this.model = model;
        this.elsewhere = elsewhere;
        aside.setManaged(false);
        aside.setMouseTransparent(true);
        getStyleClass().add("card-scroll");
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setPrefWidth(WIDTH);
        setMinWidth(LEAST_WIDTH);
        setFocusTraversable(false);
        addEventFilter(MouseEvent.MOUSE_PRESSED, this::press);
        addEventFilter(KeyEvent.KEY_PRESSED, this::press);
        addEventFilter(MouseEvent.MOUSE_RELEASED, e -> release());
        addEventFilter(KeyEvent.KEY_RELEASED, e -> release());
        sceneProperty().flatMap(Scene::focusOwnerProperty).subscribe(on -> {
            if (putOff && !typing()) Platform.runLater(letGo);
        });
    }

    /** A card written anew would take the button away from under the finger before it is let go. */
    private void press(Event e) {
        var node = e.getTarget() instanceof Node n ? n : null;
        while (node != null && !(node instanceof ButtonBase)) node = node.getParent();
        pressed = node instanceof ButtonBase b ? Optional.of(b) : Optional.empty();
    }

    private void release() {
        if (pressed.isPresent()) Platform.runLater(letGo); // what was put off, after what the button does
        pressed = Optional.empty();
    }

    /** @param run when a button is let go, after what it does, and when what was typed on a card is left */
    void onLetGo(Runnable run) {
        letGo = run;
    }

    /** Whether a button of the card is being pressed: nothing may be written anew. */
    boolean held() {
        return pressed.filter(ButtonBase::isArmed).isPresent();
    }

    /** Whether something typed stands on the card on screen while it has the keys: a card written anew would take it away. */
    private boolean typing() {
        var on = getScene() == null ? null : getScene().getFocusOwner();
        return shown.map(written::get).filter(w -> w.typed(model.shownProperty().get()) && Keys.on(w.card, on).isPresent()).isPresent();
    }

    /** Brings the card of this page up to date and on screen. */
    void show(Page page, StationView view) {
        boolean same = shown.equals(Optional.of(page));
        var known = Optional.ofNullable(written.get(page)).filter(w -> w.tab.equals(view.tab()) && model.holds(w.told));
        putOff = same && known.isEmpty() && (view.busyWithInput() || typing());
        if (putOff || same && known.isPresent()) return;
        double at = getVvalue();
        var keys = getScene() == null || !(getContent() instanceof Parent before) ? Optional.<Keys>empty()
                : Keys.on(before, getScene().getFocusOwner());
        var kept = known.filter(w -> w.told.settled() && !model.stale(w.told) && System.nanoTime() - w.at < KEPT_NS);
        kept.ifPresent(w -> view.resume());
        var card = kept.orElseGet(() -> write(page, view, view::card)).card;
        shown = Optional.of(page);
        stale(stale());
        setContent(card);
        if (!same) setVvalue(0);
        else {
            applyCss();
            layout();
            setVvalue(at);
        }
        // by keys one goes on where one was, else from what came in its place: the page's next step
        keys.map(k -> (same ? k.in(card) : Optional.<Node>empty()).or(() -> Optional.ofNullable(card.lookup(".primary"))).orElse(elsewhere))
                .ifPresent(Node::requestFocus);
    }

    /** Whether the card of this page is there and right. */
    boolean has(Page page) {
        return Optional.ofNullable(written.get(page)).filter(w -> model.holds(w.told)).isPresent();
    }

    /** Where cards are laid out that are not shown yet: part of the scene for its styles, and empty whenever a frame is drawn. */
    Node aside() {
        return aside;
    }

    /** Writes the card of a page that is not on screen, and lays it out aside. */
    void prepare(Page page, StationView view) {
        var card = write(page, view, view::cardAhead).card;
        double width = getViewportBounds().getWidth();
        aside.getChildren().setAll(card);
        aside.applyCss();
        aside.resize(width, card.prefHeight(width));
        aside.layout();
        aside.getChildren().clear();
    }

    private Written write(Page page, StationView view, Supplier<Card> by) {
        var card = new Card[1];
        var told = model.watching(() -> card[0] = by.get());
        var fields = new HashMap<TextField, String>();
        for (var n : card[0].lookupAll(".text-field")) if (n instanceof TextField f) fields.put(f, f.getText());
        var w = new Written(card[0], view.tab(), told, System.nanoTime(), fields, model.shownProperty().get());
        written.put(page, w);
        return w;
    }

    /** Something else than the card of a page. */
    void show(Node other) {
        shown = Optional.empty();
        setContent(other);
    }

    /** Whether something on the card does not match the decision yet. */
    boolean stale() {
        return shown.map(written::get).filter(w -> model.stale(w.told)).isPresent();
    }

    /** Figures that no longer match the decision are dimmed; controls stay as they are. */
    void stale(boolean on) {
        shown.map(written::get).ifPresent(w -> w.card.pseudoClassStateChanged(STALE, on));
    }

    /** To be written anew when it is shown next. */
    void forget(Page page) {
        written.remove(page);
    }

    void forget() {
        written.clear();
    }

    /** Another build: what the cards of other pages were told must not stay in memory. */
    void forgetOthers() {
        written.keySet().removeIf(p -> !shown.equals(Optional.of(p)));
    }
}
