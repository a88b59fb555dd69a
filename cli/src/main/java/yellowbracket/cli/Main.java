package yellowbracket.cli;

import java.io.PrintWriter;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine;
import yellowbracket.program.ProgramLog;

/** Exit 0 done, 1 the input is refused, 2 wrong usage. */
@Command(name = "yb", description = "Yellow Bracket: fits the prop to the person, the parts to the printer and the work to the "
        + "date.", subcommands = {CheckCommand.class, ConvertCommand.class, SizeCommand.class, TestPieceCommand.class, CutCommand.class,
                PrintCommand.class, JoinCommand.class, SmoothCommand.class, ColourCommand.class, WearCommand.class, NewCommand.class,
                LogCommand.class, PlanCommand.class, ExportCommand.class, DemoCommand.class, CommandLine.HelpCommand.class})
public final class Main {
    private Main() {}

    public static void main(String[] args) {
        ProgramLog.start(System.getenv());
        System.exit(run(new PrintWriter(System.out, true), new PrintWriter(System.err, true), args));
    }

    /** Runs a command with the given outputs; returns the exit code. */
    static int run(PrintWriter out, PrintWriter err, String... args) {
        var line = new CommandLine(new Main()).setOut(out).setErr(err).setCaseInsensitiveEnumValuesAllowed(true);
        line.getCommandSpec().usageMessage().footer("", "What was refused or failed is noted in " + ProgramLog.file(System.getenv()));
        line.setExecutionExceptionHandler((e, cmd, parsed) -> {
            if (e instanceof Refused r) r.findings().forEach(f -> {
                err.println(f);
                ProgramLog.refusal(f, List.of());
            });
            else {
                err.println("failed: " + (e.getMessage() == null ? "this could not be worked out" : e.getMessage()) + "; the log "
                        + "file has more: " + ProgramLog.file(System.getenv()));
                ProgramLog.failure(cmd.getCommandName(), e);
            }
            return 1;
        });
        line.setParameterExceptionHandler((e, a) -> {
            err.println(e.getMessage());
            err.println(
                    "see: yb help" + (e.getCommandLine().getCommandName().equals("yb") ? "" : " " + e.getCommandLine().getCommandName()));
            return 2;
        });
        if (args.length == 0) {
            line.usage(out);
            return 2;
        }
        long from = System.nanoTime();
        int exit = line.execute(args);
        ProgramLog.took("yb " + args[0], (System.nanoTime() - from) / 1_000_000);
        return exit;
    }
}
