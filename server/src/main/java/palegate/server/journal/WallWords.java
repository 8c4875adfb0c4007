package palegate.server.journal;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** The exact content of a wall in words. */
final class WallWords {
  private final Names names;
  private final boolean reasons;

  WallWords(Names names, boolean reasons) {
    this.names = names;
    this.reasons = reasons;
  }

  void fields(Map<String, String> fields, Wall wall) {
    fields.put("name", wall.name());
    fields.put("kind", wall.barrier().kind());
    fields.put("state", wall.state().word());
    if (reasons && wall.reason() != null) {
      fields.put("reason", wall.reason());
    }
    if (wall.barrier() instanceof Barrier.Sides sides) {
      for (Barrier.Side side : sides.sides()) {
        fields.put("side " + side.name(), subjects(side.subjects()) + ", for " + scope(side.scope()));
      }
    } else {
      fields.put(wall.barrier() instanceof Barrier.Seal ? "admits" : "bars", subjects(wall.barrier().subjects()));
      fields.put("scope", scope(wall.barrier().scopes().get(0)));
    }
    if (!wall.exceptions().isEmpty()) {
      fields.put("exceptions", wall.exceptions().stream().map(exempt -> names.subject(exempt.subject())
          + dates(new Period(null, exempt.until()))).collect(Collectors.joining(", ")));
    }
    if (wall.period().from() != null) {
      fields.put("from", wall.period().from().toString());
    }
    if (wall.period().until() != null) {
      fields.put("until", wall.period().until().toString());
    }
  }

  static String dates(Period period) {
    return (period.from() == null ? "" : " from " + period.from()) + (period.until() == null ? "" : " until " + period.until());
  }

  private String subjects(List<Subject> subjects) {
    return subjects.stream().map(subject -> names.subject(subject)).collect(Collectors.joining(", "));
  }

  private String scope(Scope scope) {
    List<String> criteria = new ArrayList<>();
    if (!scope.places().isEmpty()) {
      criteria.add("places " + names.all(scope.places(), names::place));
    }
    if (!scope.types().isEmpty()) {
      criteria.add("types " + names.all(scope.types(), names::type));
    }
    new TreeMap<>(scope.labels()).forEach((key, values) -> criteria.add(key + " " + values.stream().sorted().collect(Collectors.joining(" or "))));
    return String.join(" and ", criteria);
  }
}
