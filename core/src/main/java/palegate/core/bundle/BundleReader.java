package palegate.core.bundle;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Stream;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import tools.jackson.databind.JsonNode;

/** Reads a bundle: first its text, then its shape, then its references; only a sound one is bound. */
public final class BundleReader {
  /**
   * A bundle that was read.
   *
   * @param completed roles that were given rights which their rights need, in words
   * @param change the change that an export stems from; null if the file does not say
   */
  public record Read(Structure structure, List<String> completed, Long change) {
    public Read {
      completed = List.copyOf(completed);
    }
  }

  private BundleReader() {}

  /** Reads a whole file; every fault that it has is in the exception, in order of the pointers. */
  public static Read read(byte[] bytes) throws InvalidBundle {
    List<Fault> faults = new ArrayList<>();
    JsonNode bundle = JsonText.read(bytes, faults);
    if (bundle != null) {
      SchemaCheck.check(bundle, faults);
      if (bundle.isObject()) {
        Ids ids = new Ids(bundle, faults);
        ReferenceCheck.check(bundle, ids, faults);
        TreeCheck.check(bundle, ids, faults);
        TextCheck.check(bundle, faults);
      }
    }
    if (!faults.isEmpty()) {
      throw new InvalidBundle(List.copyOf(new TreeSet<>(faults)));
    }
    return new Read(StructureBinder.bind(bundle), completedRoles(bundle), bundle.path("change").isIntegralNumber() ? bundle.path("change").asLong() : null);
  }

  /** The JSON Schema (2020-12) that bundles are validated against. */
  public static String schema() {
    return SchemaCheck.text();
  }

  private static List<String> completedRoles(JsonNode bundle) {
    return bundle.path("roles").valueStream().flatMap(role -> {
      Rights given = Rights.parse(role.path("rights").valueStream().map(JsonNode::asString).toList());
      Rights added = given.complete().minus(given);
      return added.isEmpty() ? Stream.empty() : Stream.of(
          "Role [" + role.path("id").asString() + "] was completed with " + added + ", which its rights need.");
    }).toList();
  }
}
