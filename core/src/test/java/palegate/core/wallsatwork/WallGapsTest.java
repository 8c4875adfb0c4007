package palegate.core.wallsatwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.WallCoverage;
import palegate.core.random.RandomMatters;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Gaps: what seems to be missing from a wall is found with the text that speaks for it, and nothing is found without one. */
class WallGapsTest {
  private static final long SEED = 20_261_128;
  private static final List<String> SHIPS = List.of("Amber Tern", "Blue Heron", "Cold Harbour", "Dawn Petrel", "Even Keel", "Far Lantern", "Grey Mullet", "High Sounding", "Ivory Gull", "Jet Cormorant");

  private static Wall screen(Scope scope) {
    return new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(scope, List.of(new Subject.OfPerson("mia"))), List.of());
  }

  private static Place folder(String id, String name, Map<String, String> labels) {
    return Place.plain(id, PlaceKind.FOLDER, "cas", name, false, labels, null, null, null);
  }

  private static Place document(String id, String parent, String name) {
    return Place.plain(id, PlaceKind.DOCUMENT, parent, name, false, Map.of(), null, null, null);
  }

  private static Snapshot with(List<Place> places) {
    Structure base = Harbour.structure();
    List<Place> all = new ArrayList<>(base.places().values());
    all.addAll(places);
    return Snapshot.of(base.withPlaces(Parts.of(all, Place::id)));
  }

  private static List<WallGap> gaps(Scope scope, Place... places) {
    return WallGaps.of(with(List.of(places)), screen(scope));
  }

  @Test
  void a_value_written_differently_is_nearly_sure_and_one_press_writes_it_right() {
    List<WallGap> found = gaps(Scope.ofLabel("case", "C-7101"), folder("in", "C-7101 Amber Tern", Map.of("case", "C-7101")), document("in-d", "in", "Letter"),
        folder("out", "More of it", Map.of("case", "c 7101", "year", "2026")), document("out-d", "out", "Letter"));
    assertThat(found).singleElement().satisfies(gap -> {
      assertThat(gap.place()).isEqualTo("out");
      assertThat(gap.kind()).isEqualTo(WallGap.Kind.WRITTEN_DIFFERENTLY);
      assertThat(gap.confidence()).isEqualTo(WallGap.Confidence.NEARLY_SURE);
      assertThat(gap.said()).isEqualTo("case: c 7101");
      assertThat(gap.like()).isEqualTo("case: C-7101");
      assertThat(gap.documents()).isEqualTo(1);
    });
  }

  @Test
  void neighbouring_digits_that_are_swapped_are_likely_and_another_number_is_another_case() {
    List<WallGap> found = gaps(Scope.ofLabel("case", "C-7101"), folder("swapped", "Papers", Map.of("case", "C-7110")), document("d1", "swapped", "Letter"),
        folder("other", "Papers of another", Map.of("case", "C-7102")), document("d2", "other", "Letter"));
    assertThat(found).extracting(WallGap::place, WallGap::kind).containsExactly(tuple("swapped", WallGap.Kind.MISTYPED));
  }

  @Test
  void the_number_in_a_name_and_the_name_of_a_folder_inside_speak_for_what_lies_elsewhere() {
    List<WallGap> found = gaps(Scope.ofPlaces("in"), folder("in", "C-7101 Amber Tern", Map.of()), document("in-d", "in", "Letter"), folder("misc", "Loose papers", Map.of()),
        document("by-number", "misc", "Survey report C 7101"), document("by-name", "misc", "Photos of Amber Tern"), document("neither", "misc", "C-71010 and 7101x of 2026"));
    assertThat(found).extracting(WallGap::place, WallGap::kind).containsExactlyInAnyOrder(
        tuple("by-number", WallGap.Kind.SAME_NUMBER), tuple("by-name", WallGap.Kind.SAME_NAME));
    Change fix = found.stream().filter(gap -> gap.place().equals("by-number")).findFirst().orElseThrow().fix();
    Snapshot before = with(List.of(folder("in", "C-7101 Amber Tern", Map.of()), folder("misc", "Loose papers", Map.of()), document("by-number", "misc", "Survey report C 7101")));
    Structure after = DraftApplication.of(before, List.of(fix), Harbour.NOW).structure();
    assertThat(after.walls().get("w").barrier().scopes().get(0).places()).containsExactlyInAnyOrder("in", "by-number");
  }

  @Test
  void a_letter_that_answers_one_inside_belongs_to_the_same_correspondence_whichever_of_the_two_lies_outside() {
    Place in = folder("in", "C-7101 Amber Tern", Map.of());
    Place misc = folder("misc", "Loose papers", Map.of());
    List<WallGap> found = gaps(Scope.ofPlaces("in"), in, misc, document("asked", "in", "Terms of salvage, second offer"), document("answered", "misc", "Re: Fwd: Terms of salvage – second offer"),
        document("reminder", "in", "Reminder of: towing in heavy weather"), document("first", "misc", "Towing in heavy weather"), document("else", "misc", "Re: Holidays"),
        document("answer-else", "misc", "Reply to a question never asked here"));
    assertThat(found).extracting(WallGap::place, WallGap::kind, WallGap::confidence).containsExactlyInAnyOrder(tuple("answered", WallGap.Kind.SAME_CORRESPONDENCE, WallGap.Confidence.LIKELY),
        tuple("first", WallGap.Kind.SAME_CORRESPONDENCE, WallGap.Confidence.LIKELY));
    assertThat(found.get(0).like()).endsWith("Terms of salvage, second offer");
    List<Place> form = new ArrayList<>(List.of(in, misc, document("re", "in", "Re: Notice of inspection")));
    for (int i = 0; i < 20; i++) {
      form.add(document("form" + i, "misc", "Notice of inspection"));
    }
    assertThat(gaps(Scope.ofPlaces("in"), form.toArray(Place[]::new))).as("what so many are called is a form").isEmpty();
    assertThat(gaps(Scope.ofPlaces("in"), in, misc, document("one", "in", "Notice of inspection"), document("other", "misc", "Notice of inspection"))).as("neither answers").isEmpty();
  }

  @Test
  void a_hundred_thousand_letters_of_one_subject_are_a_form_and_cost_no_more_than_others() {
    List<Place> places = new ArrayList<>(List.of(folder("in", "C-7101 Amber Tern", Map.of())));
    for (int i = 0; i < 150_000; i++) {
      places.add(document("re" + i, i == 0 ? "in" : "cas", "Re: Notice of inspection"));
      places.add(document("of" + i, "cas", "Notice of inspection"));
    }
    Snapshot many = with(places);
    assertTimeoutPreemptively(Duration.ofSeconds(20), () -> assertThat(Correspondence.of(many).threads()).isEmpty());
  }

  private static List<WallGap> siblings(Map<String, String> outside, String name, String... inside) {
    List<Place> places = new ArrayList<>(List.of(folder("f", "Papers of the yard", Map.of())));
    for (String one : inside) {
      places.add(Place.plain(one, PlaceKind.FOLDER, "f", one, false, Map.of("case", "C-7101"), null, null, null));
      places.add(document(one + "-d", one, "Page"));
    }
    places.add(Place.plain("out", PlaceKind.FOLDER, "f", name, false, outside, null, null, null));
    places.add(document("out-d", "out", "Page"));
    return gaps(Scope.ofLabel("case", "C-7101"), places.toArray(Place[]::new));
  }

  @Test
  void the_one_folder_beside_others_that_are_inside_is_said_unless_it_is_of_another_matter_or_many_are_outside() {
    assertThat(siblings(Map.of(), "Fees", "Letters", "Survey")).extracting(WallGap::place, WallGap::kind, WallGap::confidence, WallGap::like).containsExactly(tuple("out", WallGap.Kind.SIBLING, WallGap.Confidence.POSSIBLE, "Letters, Survey"));
    assertThat(siblings(Map.of(), "Fees", "A", "B", "C", "D", "E")).extracting(WallGap::like).containsExactly("A, B, C and 2 more");
    assertThat(siblings(Map.of(), "Fees", "Letters")).as("beside one: chance").isEmpty();
    assertThat(siblings(Map.of(), "Fees of C-7205", "Letters", "Survey")).as("it says another number").isEmpty();
    assertThat(siblings(Map.of("case", "C-7205"), "Fees", "Letters", "Survey")).as("it is labelled as another case").isEmpty();
    assertThat(siblings(Map.of("case", "C-7205", "year", "2026"), "Fees", "Letters", "Survey")).isEmpty();
    assertThat(siblings(Map.of("year", "2026"), "Fees", "Letters", "Survey")).as("another label says nothing").hasSize(1);
    assertThat(gaps(new Scope(Set.of("a", "b"), Set.of("valuation"), Map.of()), folder("a", "A", Map.of()), folder("b", "B", Map.of()), folder("c", "C", Map.of()), document("cd", "c", "Page"))).as("documents of some types are covered").isEmpty();
  }

  @Test
  void what_content_says_speaks_for_a_document_and_content_that_the_asker_does_not_know_says_nothing() {
    Snapshot snapshot = with(List.of(folder("in", "C-7101 Amber Tern", Map.of("case", "C-7101")), document("in-d", "in", "Survey"), folder("misc", "Loose papers", Map.of()), document("copy", "misc", "Scan 3"),
        document("head", "misc", "Scan 4"), document("passing", "misc", "Minutes"), document("named", "misc", "Scan 5")));
    Wall wall = screen(Scope.ofLabel("case", "C-7101"));
    List<SearchTerm> terms = WallGaps.searchTerms(snapshot, wall);
    assertThat(terms).extracting(SearchTerm::kind, SearchTerm::text).containsExactly(tuple(SearchTerm.Kind.NUMBER, "c7101"), tuple(SearchTerm.Kind.NAME, "Amber Tern"));
    ContentEvidence said = new ContentEvidence(List.of(List.of("unknown", "in-d", "copy"), List.of("unknown", "named")),
        List.of(new ContentEvidence.Mention("head", terms.get(0), "C 7101", 12), new ContentEvidence.Mention("passing", terms.get(0), "C-7101", 4_000), new ContentEvidence.Mention("unknown", terms.get(0), "C-7101", 0),
            new ContentEvidence.Mention("named", terms.get(1), "AMBER TERN", 3), new ContentEvidence.Mention("in-d", terms.get(1), "Amber Tern", 3)));
    assertThat(WallGaps.of(snapshot, wall, WallGapClues.of(snapshot).with(said))).extracting(WallGap::place, WallGap::kind, WallGap::confidence).containsExactly(
        tuple("copy", WallGap.Kind.SAME_CONTENT, WallGap.Confidence.NEARLY_SURE), tuple("head", WallGap.Kind.IN_ITS_TEXT, WallGap.Confidence.LIKELY),
        tuple("passing", WallGap.Kind.IN_ITS_TEXT, WallGap.Confidence.POSSIBLE), tuple("named", WallGap.Kind.IN_ITS_TEXT, WallGap.Confidence.POSSIBLE));
    List<ContentEvidence.Mention> often = new ArrayList<>(said.mentions());
    for (int i = 0; i < 100; i++) {
      often.add(new ContentEvidence.Mention("in-d", terms.get(1), "Amber Tern", i));
    }
    assertThat(WallGaps.of(snapshot, wall, WallGapClues.of(snapshot).with(new ContentEvidence(List.of(), often)))).as("what lies inside may say its name").extracting(WallGap::place).contains("named");
    assertThat(WallGaps.of(snapshot, wall)).as("a bundle has no content").isEmpty();
    List<String> forms = new ArrayList<>(List.of("in-d"));
    List<Place> places = new ArrayList<>(List.of(folder("in", "C-7101 Amber Tern", Map.of("case", "C-7101")), document("in-d", "in", "Form")));
    for (int i = 0; i < 20; i++) {
      places.add(document("form" + i, "cas", "Form"));
      forms.add("form" + i);
    }
    Snapshot many = with(places);
    assertThat(WallGaps.of(many, wall, WallGapClues.of(many).with(new ContentEvidence(List.of(forms), List.of())))).as("a form has many copies").isEmpty();
  }

  @Test
  void a_term_is_found_however_a_text_writes_it_and_never_within_another() {
    Pattern number = Pattern.compile(new SearchTerm(SearchTerm.Kind.NUMBER, "c7101", "").expression(), Pattern.CASE_INSENSITIVE);
    assertThat(List.of("C-7101", "matter c 7101.", "(C7101)", "C/7101")).allMatch(text -> number.matcher(text).find());
    assertThat(List.of("C-71010", "AC-7101", "7101", "C--7101", "C.7101")).noneMatch(text -> number.matcher(text).find());
    SearchTerm odd = new SearchTerm(SearchTerm.Kind.NAME, "Amber (Tern) [a-z]+ & \\Q.*", "");
    assertThat(odd.words()).containsExactly(List.of("Amber"), List.of("Tern"), List.of("a"), List.of("z"), List.of("Q"));
    assertThat(new SearchTerm(SearchTerm.Kind.NUMBER, "c7101", "").words()).containsExactly(List.of("c7101", "7101"));
    assertThat(Pattern.compile(odd.expression()).matcher("the Amber – Tern, a.z Q end").find()).isTrue();
  }

  @Test
  void a_value_that_is_a_name_is_looked_for_in_names_like_that_of_a_folder() {
    List<WallGap> found = gaps(Scope.ofLabel("client", "Northern Light Towage"), folder("in", "Case one", Map.of("client", "Northern Light Towage")), document("in-d", "in", "Letter"),
        document("out", "cas", "Offer to Northern Light Towage"));
    assertThat(found).extracting(WallGap::place, WallGap::kind, WallGap::like).containsExactly(tuple("out", WallGap.Kind.SAME_NAME, "client: Northern Light Towage"));
  }

  @Test
  void what_is_inside_above_the_inside_or_on_another_side_is_no_gap_and_a_confinement_has_none() {
    assertThat(gaps(Scope.ofPlaces("in"), folder("in", "C-7101 Amber Tern", Map.of()), document("in-d", "in", "Letter C-7101"))).isEmpty();
    assertThat(gaps(Scope.ofPlaces("in-d"), folder("in", "C-7101 Amber Tern", Map.of()), document("in-d", "in", "Letter C-7101"))).as("the folder leads there").isEmpty();
    Snapshot snapshot = with(List.of(folder("one", "C-7101 Amber Tern", Map.of()), document("one-d", "one", "Letter"), folder("two", "Against C-7101", Map.of()), document("two-d", "two", "Letter")));
    Wall sides = new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Sides(List.of(
        new Barrier.Side("one", List.of(new Subject.OfPerson("mia")), Scope.ofPlaces("one")), new Barrier.Side("two", List.of(new Subject.OfPerson("ola")), Scope.ofPlaces("two")))), List.of());
    assertThat(WallGaps.of(snapshot, sides)).isEmpty();
    Wall confine = new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Confine(Scope.ofPlaces("one"), List.of(new Subject.OfPerson("mia"))), List.of());
    assertThat(WallGaps.of(snapshot, confine)).isEmpty();
  }

  @Test
  void planted_gaps_of_generated_repositories_are_found_and_little_else() {
    Random random = new Random(SEED);
    int planted = 0;
    int found = 0;
    int right = 0;
    for (int round = 0; round < 40; round++) {
      List<Place> places = new ArrayList<>();
      Set<String> gaps = new TreeSet<>();
      for (int i = 0; i < SHIPS.size(); i++) {
        String number = "C-" + (7100 + round % 7 * 100 + i * 9);
        places.add(folder("f" + i, number + " " + SHIPS.get(i), Map.of("case", number)));
        places.add(document("f" + i + "d", "f" + i, "Report of the survey"));
      }
      String walled = places.get(0).labels().get("case");
      places.add(document("f0-terms", "f0", "Terms of salvage of " + round));
      places.add(document("answer", "cas", (random.nextBoolean() ? "Re: " : "Reply to ") + "terms of salvage of " + round));
      places.add(document("f1-terms", "f1", "Terms of towage of " + round));
      places.add(document("answer-else", "f2", "Re: Terms of towage of " + round));
      gaps.add("answer");
      List<List<String>> copies = new ArrayList<>(List.of(List.of("f1d", "other0")));
      List<ContentEvidence.Mention> mentions = new ArrayList<>();
      for (int i = 0; i < 3; i++) {
        String id = "scan" + i;
        places.add(document(id, "cas", "Scan " + (10 + i)));
        gaps.add(id);
        if (random.nextBoolean()) {
          copies.add(List.of("f0d", id));
        } else {
          mentions.add(new ContentEvidence.Mention(id, new SearchTerm(SearchTerm.Kind.NUMBER, LabelsInUse.plain(walled), walled), walled, random.nextInt(1_000)));
        }
      }
      for (int i = 0; i < 4; i++) {
        String id = "gap" + i;
        String name = switch (random.nextInt(3)) {
          case 0 -> "Correspondence " + walled;
          case 1 -> "Photos of " + SHIPS.get(0);
          default -> "Loose papers " + i;
        };
        boolean labelled = name.startsWith("Loose");
        places.add(folder(id, name, labelled ? Map.of("case", random.nextBoolean() ? walled.toLowerCase() : walled.replace("-", " ")) : Map.of()));
        places.add(document(id + "d", id, "Letter of thanks"));
        gaps.add(id);
      }
      for (int i = 0; i < 20; i++) {
        places.add(document("other" + i, "f" + (1 + random.nextInt(SHIPS.size() - 1)), "Letter " + (1000 + random.nextInt(9000)) + " of " + SHIPS.get(1 + random.nextInt(SHIPS.size() - 1))));
      }
      Snapshot snapshot = with(places);
      Set<String> said = WallGaps.of(snapshot, screen(Scope.ofLabel("case", walled)), WallGapClues.of(snapshot).with(new ContentEvidence(copies, mentions))).stream().map(WallGap::place).collect(Collectors.toSet());
      planted += gaps.size();
      found += said.size();
      said.retainAll(gaps);
      right += said.size();
    }
    assertThat(right).as("of %d planted, found (seed %d)", planted, SEED).isEqualTo(planted);
    assertThat(right * 100).as("of %d said to be gaps, gaps", found).isGreaterThanOrEqualTo(found * 95);
  }

  @Test
  void a_fix_takes_in_what_it_was_made_for() {
    List<Place> places = List.of(folder("in", "C-7101 Amber Tern", Map.of("case", "C-7101")), document("in-d", "in", "Letter"), folder("out", "More", Map.of("case", "C7101")), document("out-d", "out", "Letter"));
    Snapshot snapshot = with(places);
    Wall wall = screen(Scope.ofLabel("case", "C-7101"));
    WallGap gap = WallGaps.of(snapshot, wall).get(0);
    Snapshot after = snapshot.next(DraftApplication.of(snapshot, List.of(gap.fix()), Harbour.NOW).difference());
    assertThat(WallCoverage.covers(after, wall.barrier().scopes().get(0), after.placeNumber("out-d"))).isTrue();
    assertThat(WallGaps.of(after, wall)).isEmpty();
  }

  /** Looking for less finds what looking for all finds of it. */
  @Test
  void likely_gaps_are_those_of_all_gaps_that_are_likely_at_least() {
    int found = 0;
    for (long seed = 1; seed <= 60; seed++) {
      Snapshot snapshot = Snapshot.of(RandomMatters.in(new Random(seed), 40, 5));
      WallGapClues clues = WallGapClues.of(snapshot);
      for (String value : List.of("C-7101", "C-7110", "Amber Tern")) {
        Wall wall = screen(new Scope(Set.of(), Set.of(), Map.of("case", Set.of(value))));
        List<WallGap> likely = WallGaps.likely(snapshot, wall, clues);
        assertThat(likely).as("seed %d, %s", seed, value).isEqualTo(WallGaps.of(snapshot, wall, clues).stream().filter(gap -> gap.confidence() != WallGap.Confidence.POSSIBLE).toList());
        found += likely.size();
      }
    }
    assertThat(found).isGreaterThan(20);
  }
}
