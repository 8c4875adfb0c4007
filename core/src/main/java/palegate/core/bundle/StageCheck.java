package palegate.core.bundle;

import java.util.List;
import tools.jackson.databind.JsonNode;

/**
 * Refuses what only a stage that does not exist yet could compute: a wrong answer about access is
 * worse than none.
 */
final class StageCheck {
  private static final String REMEDY =
      "This version computes grants and withholdings only; wait for one that has the stage, or take it out.";

  private StageCheck() {}

  static void check(JsonNode bundle, List<Fault> faults) {
    refuseItems(bundle, "walls", "Walls (stage 1) are not computed yet.", faults);
    refuseItems(bundle, "oversights", "Oversight (stage 9) is not computed yet.", faults);
    JsonNode types = bundle.path("types");
    for (int i = 0; types.isArray() && i < types.size(); i++) {
      refuseFlag(types.get(i), "guarded", "/types/" + i, "Clearance for guarded types (stage 4) is not computed yet.", faults);
      if (!types.get(i).path("clearances").isEmpty()) {
        faults.add(new Fault("/types/" + i + "/clearances", "Clearance for guarded types (stage 4) is not computed yet.", REMEDY));
      }
    }
    JsonNode places = bundle.path("places");
    for (int i = 0; places.isArray() && i < places.size(); i++) {
      JsonNode place = places.get(i);
      String at = "/places/" + i;
      refuseText(place, "ceiling", at, "Outsider ceilings (stage 5) are not computed yet.", faults);
      refuseFlag(place, "reserveSharing", at, "House rules (stage 7) are not computed yet.", faults);
      refuseFlag(place, "noTakeaway", at, "House rules (stage 7) are not computed yet.", faults);
      JsonNode conditions = place.path("conditions");
      refuseFlag(conditions, "private", at + "/conditions", "Conditions (stage 8) are not computed yet.", faults);
      refuseFlag(conditions, "frozen", at + "/conditions", "Conditions (stage 8) are not computed yet.", faults);
      refuseText(conditions, "checkedOutBy", at + "/conditions", "Conditions (stage 8) are not computed yet.", faults);
    }
  }

  private static void refuseItems(JsonNode bundle, String list, String what, List<Fault> faults) {
    for (int i = 0; bundle.path(list).isArray() && i < bundle.path(list).size(); i++) {
      faults.add(new Fault("/" + list + "/" + i, what, REMEDY));
    }
  }

  private static void refuseFlag(JsonNode holder, String key, String at, String what, List<Fault> faults) {
    if (holder.path(key).asBoolean(false)) {
      faults.add(new Fault(at + "/" + key, what, REMEDY));
    }
  }

  private static void refuseText(JsonNode holder, String key, String at, String what, List<Fault> faults) {
    if (holder.path(key).isString()) {
      faults.add(new Fault(at + "/" + key, what, REMEDY));
    }
  }
}
