package palegate.server.bundle;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.BundleWriter;
import palegate.core.structure.Structure;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/**
 * One validation for every way in: whatever the API takes is either refused with a sentence or is kept as it is, in memory, in
 * the database and in an export that can be read back.
 */
@Order(4)
@ExtendWith(InDemo.class)
class EveryWayInTest {
  private static final List<String> NASTY = List.of("", " ", "  x  ", "x ", "a b", "../../etc", "a/b", "x\u0000y", "\u202Ex", "a\u200Bb", "\uFEFFx", "\uD83D", "\uDE00x", "x".repeat(64), "x".repeat(65),
      "x".repeat(301), "x".repeat(1_001), "x".repeat(5_000), "👩‍🚒", "'; DROP TABLE changes; --", "<script>", "=1+1", "ﬀ", "İ", "\u2028", "null", "\n", "%00", "Ω≈ç√∫");

  private static Map<String, Object> with(Map<String, Object> change, String key, Object value) {
    Map<String, Object> copy = new HashMap<>(change);
    copy.put(key, value);
    return copy;
  }

  /** Changes, each with the fields into which anything is written. */
  private static List<Map<String, Object>> changes() {
    Map<String, Object> mia = Map.of("kind", "person", "id", "p-mia");
    List<Map<String, Object>> all = new ArrayList<>();
    for (String nasty : NASTY) {
      Map<String, Object> person = Map.of("kind", "setPerson", "name", "Nasty", "external", false, "active", true);
      for (String key : List.of("person", "name", "login", "email")) {
        all.add(with(person, key, nasty));
      }
      all.add(with(Map.of("kind", "setUnit", "name", "Nasty"), "unit", nasty));
      all.add(with(Map.of("kind", "setUnit", "name", "Nasty"), "name", nasty));
      all.add(with(Map.of("kind", "setGroup", "name", "Nasty"), "group", nasty));
      all.add(with(Map.of("kind", "setGroup", "name", "Nasty"), "description", nasty));
      all.add(with(Map.of("kind", "setRole", "name", "Nasty", "rights", List.of("find")), "role", nasty));
      all.add(Map.of("kind", "setType", "type", "t-nasty", "name", "Nasty", "guarded", false, "libraries", List.of(), "fields",
          List.of(Map.of("key", nasty, "label", "Label", "kind", "TEXT", "required", false, "hidden", false))));
      all.add(Map.of("kind", "setType", "type", "t-nasty", "name", "Nasty", "guarded", false, "libraries", List.of(), "fields",
          List.of(Map.of("key", "k", "label", nasty, "kind", "CHOICE", "choices", List.of(nasty), "required", false, "hidden", false))));
      Map<String, Object> folder = Map.of("kind", "addPlace", "placeKind", "folder", "parent", "lib-cas", "name", "Nasty");
      all.add(with(folder, "place", nasty));
      all.add(with(folder, "name", nasty));
      all.add(with(folder, "labels", Map.of(nasty, "v")));
      all.add(with(folder, "labels", Map.of("k", nasty)));
      all.add(Map.of("kind", "setLabels", "place", "f-2417", "labels", Map.of(nasty, nasty)));
      Map<String, Object> grant = Map.of("kind", "addGrant", "place", "lib-cas", "subject", mia, "role", "r-reader");
      all.add(with(grant, "entry", nasty));
      all.add(with(grant, "note", nasty));
      all.add(with(Map.of("kind", "addOversight", "place", "lib-cas", "subject", mia), "entry", nasty));
      all.add(Map.of("kind", "setWall", "wall", nasty, "name", nasty, "reason", nasty, "state", "PLANNED", "barrier", "screen", "sides",
          List.of(Map.of("subjects", List.of(mia), "labels", Map.of("case", List.of(nasty))))));
      all.add(Map.of("kind", "setApproval", "approval", nasty, "name", nasty, "outsidersGain", true, "duty", "ACCESS"));
    }
    for (String year : List.of("-000001-01-01T00:00:00Z", "0000-01-01T00:00:00Z", "0999-12-31T00:00:00Z", "9999-12-31T23:59:59.999999Z", "+10000-01-01T00:00:00Z", "+999999999-01-01T00:00:00Z")) {
      all.add(Map.of("kind", "addGrant", "place", "lib-cas", "subject", mia, "role", "r-reader", "until", year));
      all.add(Map.of("kind", "addMember", "group", "g-surveyors", "memberKind", "person", "member", "p-x10", "until", year));
    }
    all.add(Map.of("kind", "setWall", "name", "Ten thousand sides", "state", "STANDING", "barrier", "sides", "sides",
        IntStream.range(0, 10_000).mapToObj(i -> Map.of("name", "S" + i, "subjects", List.of(mia), "labels", Map.of("case", List.of("C-" + i)))).toList()));
    return all;
  }

  @Test
  void what_the_api_takes_is_kept_as_it_is_and_an_export_of_it_is_read_back_the_same(TestApplication app) throws Exception {
    Browser wenna = app.signedIn("wenna.carrow");
    StructureStore store = app.bean(StructureStore.class);
    int refused = 0;
    int kept = 0;
    for (Map<String, Object> change : changes()) {
      String told = change.toString();
      String short_ = told.length() > 200 ? told.substring(0, 200) : told;
      Browser.Answer drafted = wenna.post("/api/draft/changes", change);
      assertThat(drafted.status()).as("%s: %s", short_, drafted.body()).isIn(201, 400, 422, 413);
      if (drafted.status() != 201) {
        refused++;
        continue;
      }
      Browser.Answer done = wenna.putInForce(true);
      assertThat(done.status()).as("%s: %s", short_, done.body()).isIn(200, 409, 422);
      if (done.status() == 200) {
        kept++;
        Structure inMemory = app.bean(Snapshots.class).current().snapshot().structure();
        Structure inDatabase = store.asOf(store.head());
        assertThat(inDatabase.places()).as(short_).isEqualTo(inMemory.places());
        assertThat(inDatabase.people()).as(short_).isEqualTo(inMemory.people());
      } else {
        assertThat(done.problem()).as(short_).isIn("no-difference", "approval-missing");
        wenna.delete("/api/draft");
      }
    }
    assertThat(refused).isGreaterThan(150);
    assertThat(kept).isGreaterThan(100);
    Structure everything = store.asOf(store.head());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    BundleWriter.write(everything, store.head(), out);
    BundleReader.Read read = BundleReader.read(out.toByteArray());
    assertThat(read.structure()).isEqualTo(everything);
    assertThat(app.bean(Bundles.class).bringIn(read.structure(), "test", "Test", "nothing differs", app.clock().instant())).isZero();
  }
}
