package palegate.cli;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import picocli.CommandLine;

/** Reads an instant from the command line. */
final class InstantConverter implements CommandLine.ITypeConverter<Instant> {
  @Override
  public Instant convert(String text) {
    try {
      return OffsetDateTime.parse(text).toInstant();
    } catch (DateTimeException wrong) {
      throw new CommandLine.TypeConversionException(
          "[" + text + "] is not an instant; write it as in 2026-10-02T08:00:00Z.");
    }
  }
}
