package palegate.cli;

import java.time.Clock;
import java.time.Duration;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** The entry point. Exit codes: 0 done, 1 a file has errors, 2 wrong usage, 3 approval would be needed, a wall leaks, or a certificate or statement is not true, 4 the changes cannot be made. */
@Command(
    name = "palegate",
    mixinStandardHelpOptions = true,
    description = "Answers questions about a permission structure held in a bundle.",
    subcommands = {AccessCommand.class, ExplainCommand.class, DiffCommand.class, CheckCommand.class, RehearseCommand.class, ApplyCommand.class, WallsCommand.class, ProveCommand.class, VerifyCommand.class, WalkCommand.class, AskCommand.class, StatementCommand.class, FindingsCommand.class, WhoCommand.class, ReachCommand.class, MatrixCommand.class, MiningCommand.class})
public final class Main implements Runnable {
  @Spec private CommandSpec spec;

  public static void main(String[] arguments) {
    System.exit(run(Clock.systemUTC(), arguments));
  }

  /** Runs one command; the clock says what "now" is, to the second, so that what is printed can be asked for again. */
  static int run(Clock clock, String... arguments) {
    return new CommandLine(new Main(), new CommandFactory(Clock.tick(clock, Duration.ofSeconds(1))))
        .setUsageHelpWidth(120)
        .setExecutionExceptionHandler(new PlainErrors())
        .execute(arguments);
  }

  @Override
  public void run() {
    throw new ParameterException(spec.commandLine(), "Name a command: access, explain, diff, check, rehearse, apply, walls, prove, verify, walk, ask, statement, findings, who, reach, matrix or mining.");
  }
}
