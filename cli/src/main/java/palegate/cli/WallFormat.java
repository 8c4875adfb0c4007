package palegate.cli;

import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Wall;

/** How commands about walls print, and which walls they are about. */
enum WallFormat {
  text, json, csv;

  /** One wall by its id, or all in byte order of their ids. */
  static List<Wall> chosen(Snapshot snapshot, String id) throws IOException {
    if (id != null && !snapshot.structure().walls().containsKey(id)) {
      throw new IOException("There is no wall " + id + " in the bundle.");
    }
    return snapshot.structure().walls().values().stream().filter(wall -> id == null || wall.id().equals(id)).sorted(Comparator.comparing(Wall::id)).toList();
  }

  /** A cell of a CSV file (RFC 4180). */
  static String cell(String text) {
    return text.matches("[^\",\\r\\n]*") ? text : "\"" + text.replace("\"", "\"\"") + "\"";
  }

  /** A constant as the formats write it. */
  static String word(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }
}
