package palegate.bench;

import org.openjdk.jmh.results.format.ResultFormatType;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.ChainedOptionsBuilder;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Runs the benchmarks whose names match the arguments; all of them without any. */
public final class Main {
  private Main() {}

  public static void main(String[] patterns) throws RunnerException {
    ChainedOptionsBuilder options = new OptionsBuilder().shouldFailOnError(true).resultFormat(ResultFormatType.TEXT);
    if (patterns.length == 0) {
      options.include(EngineBenchmark.class.getSimpleName());
    }
    for (String pattern : patterns) {
      options.include(pattern);
    }
    new Runner(options.build()).run();
  }
}
