package yellowbracket.device;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import yellowbracket.print.FailureKind;

/**
 * A printer that is not there: it prints in scaled time, its hours come out a little off the estimate, and faults strike at a rate an hour,
 * all from a seed, so that the
 * same seed and jobs give the same faults at the same shares. Time is fed by {@link #advance} or, once {@link #run running}, by a clock of
 * its own.
 */
public final class SimulatedPrinter implements PrinterLink {
    /** Heating up, hours. */
    private static final double HEAT_H = 0.06;
    /** Spread of real hours about the estimate, natural logarithm. */
    private static final double SPREAD = 0.06;
    private static final List<FailureKind> FAULTS = List.of(FailureKind.CAME_OFF, FailureKind.LAYER_SHIFT, FailureKind.CLOG,
            FailureKind.RAN_OUT, FailureKind.WARPED, FailureKind.UNDER_EXTRUDED);
    /** How often it speaks. */
    private static final long TICK_MS = 100;

    private final String name;
    private final SplittableRandom random;
    private final double faultsPerHour;
    private final List<Consumer<Status>> listeners = new CopyOnWriteArrayList<>();
    private Status status = Status.IDLE;
    private double heatedH;
    private double wholeH;
    private double faultAtH;
    private State before = State.IDLE;
    private ScheduledExecutorService clock;
    private ScheduledFuture<?> ticks;

    public SimulatedPrinter(String name, long seed, double faultsPerHour) {
        this.name = name;
        random = new SplittableRandom(seed);
        this.faultsPerHour = faultsPerHour;
    }

    /** Lets time pass by itself: {@code hoursPerSecond} of printing in a second of the day. Called again it changes the pace. */
    public synchronized void run(double hoursPerSecond) {
        if (!(hoursPerSecond > 0)) throw new IllegalArgumentException("the pace must be above 0 hours a second, was " + hoursPerSecond);
        if (clock == null) clock = Executors.newSingleThreadScheduledExecutor(r -> {
            var t = new Thread(r, "simulated " + name);
            t.setDaemon(true);
            return t;
        });
        if (ticks != null) ticks.cancel(false);
        ticks = clock.scheduleAtFixedRate(() -> advance(hoursPerSecond * TICK_MS / 1000), TICK_MS, TICK_MS, TimeUnit.MILLISECONDS);
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public synchronized Status status() {
        return status;
    }

    /** Lets {@code hours} pass. */
    public void advance(double hours) {
        Status told;
        synchronized (this) {
            var was = status;
            pass(hours);
            if (status.equals(was)) return;
            told = status;
        }
        listeners.forEach(l -> l.accept(told));
    }

    private void pass(double hours) {
        if (status.state() == State.HEATING) {
            double used = Math.min(hours, HEAT_H - heatedH);
            heatedH += used;
            hours -= used;
            if (heatedH >= HEAT_H - 1e-12) become(State.PRINTING, status.printedH(), Optional.empty());
        }
        if (status.state() != State.PRINTING || hours <= 0) return;
        double to = status.printedH() + hours;
        if (faultAtH < wholeH && to >= faultAtH) become(State.FAULT, faultAtH, Optional.of(FAULTS.get(random.nextInt(FAULTS.size()))));
        else if (to >= wholeH) become(State.DONE, wholeH, Optional.empty());
        else become(State.PRINTING, to, Optional.empty());
    }

    private void become(State next, double printedH, Optional<FailureKind> fault) {
        if (next != status.state() && !status.state().mayBecome(next))
            throw new IllegalStateException(status.state() + " cannot become " + next);
        var job = status.job().orElseThrow();
        double share = Math.clamp(printedH / wholeH, 0, 1);
        status = new Status(next, status.job(), share, (int) Math.floor(share * job.layers() + 1e-9), printedH, (1 - share) * job.hours(),
                fault);
    }

    @Override
    public Answer start(Job job) {
        return command(() -> {
            if (status.state() == State.OFFLINE) return Optional.of(name + " does not answer: check power and link");
            if (status.state().busy())
                return Optional.of(name + " is still printing " + status.job().map(Job::name).orElse("") + ": wait, or cancel it first");
            if (status.state() != State.IDLE)
                return Optional.of("take " + status.job().map(Job::name).orElse("the last print") + " off " + name + " first");
            heatedH = 0;
            wholeH = job.hours() * Math.exp(SPREAD * gaussian());
            faultAtH = faultsPerHour > 0 ? -Math.log(1 - random.nextDouble()) / faultsPerHour : Double.POSITIVE_INFINITY;
            status = new Status(State.HEATING, Optional.of(job), 0, 0, 0, job.hours(), Optional.empty());
            return Optional.empty();
        });
    }

    private double gaussian() {
        return Math.sqrt(-2 * Math.log(1 - random.nextDouble())) * Math.cos(2 * Math.PI * random.nextDouble());
    }

    @Override
    public Answer pause() {
        return command(() -> to(State.PRINTING, State.PAUSED, "only a running print can be paused"));
    }

    @Override
    public Answer resume() {
        return command(() -> to(State.PAUSED, State.PRINTING, "only a paused print can go on"));
    }

    @Override
    public Answer cancel() {
        return command(() -> {
            if (status.state() == State.OFFLINE) return Optional.of(name + " does not answer: check power and link");
            if (!status.state().busy()) return Optional.of("there is nothing to cancel on " + name);
            become(State.CANCELLED, status.printedH(), Optional.empty());
            return Optional.empty();
        });
    }

    @Override
    public Answer clear() {
        return command(() -> {
            if (status.state().busy()) return Optional.of(name + " is still busy");
            status = Status.IDLE;
            return Optional.empty();
        });
    }

    /** The link breaks; the printer neither answers nor goes on until it is {@link #back}. The job is not lost. */
    public void vanish() {
        command(() -> {
            if (status.state() == State.OFFLINE) return Optional.of("it is gone already");
            before = status.state();
            status = new Status(State.OFFLINE, status.job(), status.share(), status.layer(), status.printedH(), status.remainingH(),
                    Optional.empty());
            return Optional.empty();
        });
    }

    /** The link is there again: a print that was running waits, paused. */
    public void back() {
        command(() -> {
            if (status.state() != State.OFFLINE) return Optional.of("it is there");
            var next = before == State.PRINTING || before == State.HEATING ? State.PAUSED : before;
            status = new Status(next, status.job(), status.share(), status.layer(), status.printedH(), status.remainingH(),
                    Optional.empty());
            return Optional.empty();
        });
    }

    private Optional<String> to(State from, State next, String why) {
        if (status.state() == State.OFFLINE) return Optional.of(name + " does not answer: check power and link");
        if (status.state() != from) return Optional.of(why + "; " + name + " is " + status.state().words());
        become(next, status.printedH(), Optional.empty());
        return Optional.empty();
    }

    /** A change under the lock that says why it was refused, or nothing. */
    private interface Change {
        Optional<String> make();
    }

    private Answer command(Change change) {
        Status told;
        synchronized (this) {
            var why = change.make();
            if (why.isPresent()) return new Answer.Refused(why.get());
            told = status;
        }
        listeners.forEach(l -> l.accept(told));
        return new Answer.Taken();
    }

    @Override
    public AutoCloseable listen(Consumer<Status> listener) {
        listeners.add(listener);
        listener.accept(status());
        return () -> listeners.remove(listener);
    }

    @Override
    public synchronized void close() {
        if (clock != null) clock.shutdownNow();
        listeners.clear();
    }
}
