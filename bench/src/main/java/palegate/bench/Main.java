package palegate.bench;

import java.util.List;
import org.openjdk.jmh.results.format.ResultFormatType;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.options.ChainedOptionsBuilder;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import palegate.demo.Structures;

/**
 * Measures. {@code engine [NAME] [SIZE]} runs the JMH benchmarks, {@code memory [SIZE]} what a snapshot takes,
 * {@code beside [SIZE]} compares with the alternatives, {@code walls [SIZE]} proves walls, {@code statements [SIZE]} writes statements, {@code findings [SIZE]} looks for findings, {@code matrix [SIZE]} lays a matrix out, {@code mining [SIZE]} looks for fewer entries, {@code journal [SIZE]} makes a long history and asks of it, {@code server [SIZE]} loads from the database and asks
 * over HTTP. Without arguments: all of it.
 */
public final class Main {
  private Main() {}

  public static void main(String[] arguments) throws Exception {
    List<String> given = List.of(arguments);
    String what = given.isEmpty() ? "all" : given.get(0);
    switch (what) {
      case "engine" -> engine(given.size() > 1 ? given.get(1) : ".*", given.size() > 2 ? given.get(2) : null);
      case "memory" -> Memory.run(size(given, Structures.Size.L));
      case "beside" -> Comparison.run(size(given, Structures.Size.M));
      case "walls" -> WallFigures.run(size(given, Structures.Size.L));
      case "statements" -> StatementFigures.run(size(given, Structures.Size.L));
      case "findings" -> FindingFigures.run(size(given, Structures.Size.L));
      case "matrix" -> MatrixFigures.run(size(given, Structures.Size.L));
      case "mining" -> MiningFigures.run(size(given, Structures.Size.L));
      case "journal" -> JournalFigures.run(size(given, Structures.Size.M));
      case "sharing" -> SharingFigures.run(size(given, Structures.Size.L));
      case "server" -> ServerFigures.run(size(given, Structures.Size.L));
      case "all" -> {
        Memory.run(Structures.Size.L);
        engine(".*", null);
        Comparison.run(Structures.Size.M);
        WallFigures.run(Structures.Size.L);
        StatementFigures.run(Structures.Size.L);
        FindingFigures.run(Structures.Size.L);
        MatrixFigures.run(Structures.Size.L);
        MiningFigures.run(Structures.Size.L);
        ServerFigures.run(Structures.Size.L);
      }
      default -> {
        System.err.println("There is no figure [" + what + "]; there are engine, memory, beside, walls, statements, findings, matrix, mining, journal, sharing, server and screen.");
        System.exit(2);
      }
    }
  }

  private static Structures.Size size(List<String> given, Structures.Size otherwise) {
    return given.size() > 1 ? Structures.Size.valueOf(given.get(1)) : otherwise;
  }

  private static void engine(String pattern, String size) throws Exception {
    ChainedOptionsBuilder options = new OptionsBuilder().shouldFailOnError(true).resultFormat(ResultFormatType.TEXT)
        .include("Benchmark\\." + pattern);
    if (size != null) {
      options.param("size", size);
    }
    new Runner(options.build()).run();
  }
}
