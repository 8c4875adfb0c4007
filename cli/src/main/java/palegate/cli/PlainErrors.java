package palegate.cli;

import java.io.IOException;
import java.io.PrintWriter;
import picocli.CommandLine;

/** Turns what went wrong into lines a person can act on. */
final class PlainErrors implements CommandLine.IExecutionExceptionHandler {
  @Override
  public int handleExecutionException(
      Exception failed, CommandLine line, CommandLine.ParseResult parsed) throws Exception {
    PrintWriter err = line.getErr();
    if (failed instanceof BundleFile.Refused refused) {
      refused.lines().forEach(err::println);
      return 1;
    }
    if (failed instanceof BundleFile.SeveralRefused refused) {
      refused.lines().forEach(err::println);
      return 1;
    }
    if (failed instanceof IOException || failed instanceof CommandLine.ParameterException) {
      err.println(failed.getMessage());
      return 2;
    }
    throw failed;
  }
}
