package palegate.core.access.stages;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

class StagesTest {
  private static final int READER = mask("find", "read", "copy");
  private static final int ALL = Rights.ALL.mask();

  /** One person, number 0, to whom nothing applies until a test says so. */
  static final class Asked implements PersonAtPlace {
    boolean active = true;
    boolean external;
    boolean barred;
    int granted;
    int withheld;
    boolean guarded;
    int cleared;
    int ceiling = ALL;
    boolean reserveSharing;
    boolean noTakeaway;
    boolean privateToAnother;
    boolean frozen;
    boolean checkedOutByAnother;
    boolean overseen;

    @Override public boolean active() { return active; }
    @Override public boolean external() { return external; }
    @Override public boolean barred() { return barred; }
    @Override public int granted() { return granted; }
    @Override public int withheld() { return withheld; }
    @Override public boolean guarded() { return guarded; }
    @Override public int cleared() { return cleared; }
    @Override public int ceiling() { return ceiling; }
    @Override public boolean reserveSharing() { return reserveSharing; }
    @Override public boolean noTakeaway() { return noTakeaway; }
    @Override public boolean privateToAnother() { return privateToAnother; }
    @Override public boolean frozen() { return frozen; }
    @Override public boolean checkedOutByAnother() { return checkedOutByAnother; }
    @Override public boolean overseen() { return overseen; }
  }

  private static Asked asked(int granted) {
    Asked asked = new Asked();
    asked.granted = granted;
    return asked;
  }

  private static int mask(String... words) {
    return Rights.parse(List.of(words)).mask();
  }

  @Test
  void the_pipeline_has_the_stages_in_the_order_of_the_rules() {
    assertThat(Pipeline.STAGES).extracting(Stage::number).containsExactly(0, 1, 2, 3, 4, 5, 6, 7, 8, 9);
    assertThat(Pipeline.STAGES).extracting(Stage::title).containsExactly("active", "walls", "grants", "withholdings",
        "clearance", "ceiling", "close", "house rules", "conditions", "oversight");
    assertThat(Pipeline.STANDING_STAGES).extracting(Stage::number).doesNotContain(8).hasSize(9);
  }

  @Test
  void written_out_looped_over_and_for_everyone_at_once_the_stages_come_to_the_same() {
    Random random = new Random(20_261_124);
    for (int round = 0; round < 20_000; round++) {
      Asked asked = anything(random);
      String seed = "round " + round + " of seed 20261124";
      assertThat(Pipeline.now(asked)).as(seed).isEqualTo(loop(Pipeline.STAGES, asked)).isEqualTo(together(Pipeline.STAGES, asked));
      assertThat(Pipeline.standing(asked)).as(seed).isEqualTo(loop(Pipeline.STANDING_STAGES, asked))
          .isEqualTo(together(Pipeline.STANDING_STAGES, asked));
    }
  }

  private static int loop(List<Stage> stages, Asked asked) {
    int rights = 0;
    for (Stage stage : stages) {
      if (stage.stops(asked)) {
        return 0;
      }
      rights = stage.apply(rights, asked);
    }
    return rights;
  }

  private static int together(List<Stage> stages, Asked asked) {
    HoldersByRight holders = HoldersByRight.ofAllRights(2);
    if (stages == Pipeline.STAGES) {
      Pipeline.fillNow(holders, new Together(asked));
      return holders.of(0).mask();
    }
    Pipeline.fillStanding(holders, new Together(asked));
    int standing = holders.of(0).mask();
    Pipeline.refillStanding(holders, new Together(asked), false);
    Pipeline.refillStanding(holders, new Together(asked), true);
    assertThat(holders.of(0).mask()).as("filled again from what was saved").isEqualTo(standing);
    return standing;
  }

  private static Asked anything(Random random) {
    // A role holds what its rights need.
    Asked asked = asked(Rights.ofMask(random.nextInt(512)).complete().mask());
    asked.active = random.nextInt(10) > 0;
    asked.external = random.nextBoolean();
    asked.barred = random.nextInt(6) == 0;
    asked.withheld = random.nextBoolean() ? 0 : random.nextInt(512);
    asked.guarded = random.nextInt(3) == 0;
    asked.cleared = Rights.ofMask(random.nextInt(512)).complete().mask();
    asked.ceiling = random.nextBoolean() ? ALL : Rights.ofMask(random.nextInt(512)).complete().mask();
    asked.reserveSharing = random.nextBoolean();
    asked.noTakeaway = random.nextBoolean();
    asked.privateToAnother = random.nextInt(4) == 0;
    asked.frozen = random.nextInt(4) == 0;
    asked.checkedOutByAnother = random.nextInt(4) == 0;
    asked.overseen = random.nextInt(4) == 0;
    return asked;
  }

  /** The same person among two: the other is nobody's concern and owns what is private. */
  private record Together(Asked asked) implements EveryoneAtPlace {
    private static PersonSet ifSo(boolean so) {
      return so ? PersonSet.of(0) : PersonSet.NOBODY;
    }

    @Override public PersonSet active() { return ifSo(asked.active); }
    @Override public PersonSet external() { return ifSo(asked.external); }
    @Override public PersonSet barred() { return ifSo(asked.barred); }
    @Override public EntryLines grants() { return lines(asked.granted); }
    @Override public EntryLines withholdings() { return lines(asked.withheld); }
    @Override public boolean guarded() { return asked.guarded; }
    @Override public PersonSet cleared(Right right) { return ifSo((asked.cleared & Rights.bit(right)) != 0); }
    @Override public int ceiling() { return asked.ceiling; }
    @Override public boolean reserveSharing() { return asked.reserveSharing; }
    @Override public boolean noTakeaway() { return asked.noTakeaway; }
    @Override public boolean isPrivate() { return asked.privateToAnother; }
    @Override public int owner() { return 1; }
    @Override public boolean frozen() { return asked.frozen; }
    @Override public int checkedOutBy() { return asked.checkedOutByAnother ? 1 : -1; }
    @Override public PersonSet overseers() { return ifSo(asked.overseen); }

    /** One line for each right, to see them united. */
    private static EntryLines lines(int rights) {
      List<Integer> each = new ArrayList<>();
      for (Right right : Right.values()) {
        if ((rights & Rights.bit(right)) != 0) {
          each.add(Rights.bit(right));
        }
      }
      return new EntryLines() {
        @Override public int count() { return each.size(); }
        @Override public PersonSet people(int line) { return PersonSet.of(0); }
        @Override public int rights(int line) { return each.get(line); }
      };
    }
  }

  @Nested
  class Active {
    @Test
    void ends_the_evaluation_of_an_inactive_person_whatever_is_granted_or_overseen() {
      Asked asked = asked(ALL);
      asked.active = false;
      asked.overseen = true;
      assertThat(Pipeline.now(asked)).isZero();
    }
  }

  @Nested
  class Walls {
    @Test
    void leave_nothing_and_let_no_oversight_through() {
      Asked asked = asked(ALL);
      asked.barred = true;
      asked.overseen = true;
      assertThat(Pipeline.now(asked)).isZero();
    }
  }

  @Nested
  class Grants {
    @Test
    void unite_and_never_lower_each_other() {
      assertThat(new GrantStage().apply(mask("find"), asked(READER))).isEqualTo(READER);
    }

    @Test
    void nothing_gives_by_default() {
      assertThat(Pipeline.standing(asked(0))).isZero();
    }
  }

  @Nested
  class Withholdings {
    @Test
    void take_the_named_rights_only() {
      Asked asked = asked(READER);
      asked.withheld = mask("copy");
      assertThat(new WithholdingStage().apply(READER, asked)).isEqualTo(mask("find", "read"));
    }
  }

  @Nested
  class Clearance {
    @Test
    void cuts_down_to_what_the_clearances_leave_and_to_nothing_without_one() {
      Asked asked = asked(ALL);
      asked.guarded = true;
      asked.cleared = READER;
      assertThat(Pipeline.standing(asked)).isEqualTo(READER);
      asked.cleared = 0;
      assertThat(Pipeline.standing(asked)).isZero();
    }

    @Test
    void does_not_touch_an_open_type() {
      assertThat(new ClearanceStage().apply(ALL, asked(ALL))).isEqualTo(ALL);
    }
  }

  @Nested
  class Ceiling {
    @Test
    void cuts_outsiders_down_and_leaves_staff_alone() {
      Asked asked = asked(ALL);
      asked.ceiling = READER;
      assertThat(Pipeline.standing(asked)).isEqualTo(ALL);
      asked.external = true;
      assertThat(Pipeline.standing(asked)).isEqualTo(READER);
    }
  }

  @Nested
  class Close {
    @Test
    void drops_what_has_lost_its_need() {
      assertThat(new CloseStage().apply(ALL & ~mask("read"), asked(ALL))).isEqualTo(mask("find", "add", "describe", "delete", "govern"));
    }

    @Test
    void leaves_nothing_without_find() {
      assertThat(new CloseStage().apply(ALL & ~mask("find"), asked(ALL))).isZero();
    }
  }

  @Nested
  class HouseRules {
    @Test
    void reserve_sharing_to_those_who_govern() {
      Asked asked = asked(mask("find", "read", "share"));
      asked.reserveSharing = true;
      assertThat(Pipeline.standing(asked)).isEqualTo(mask("find", "read"));
      asked.granted |= mask("govern");
      assertThat(Pipeline.standing(asked)).isEqualTo(mask("find", "read", "share", "govern"));
    }

    @Test
    void leave_taking_away_to_those_who_revise_even_when_freezing_takes_revise_later() {
      Asked asked = asked(mask("find", "read", "copy", "revise"));
      asked.noTakeaway = true;
      asked.frozen = true;
      assertThat(Pipeline.now(asked)).isEqualTo(mask("find", "read", "copy"));
      asked.granted = READER;
      assertThat(Pipeline.now(asked)).isEqualTo(mask("find", "read"));
    }
  }

  @Nested
  class Conditions {
    @Test
    void private_leaves_find_and_govern_to_who_governs_and_nothing_to_others() {
      Asked asked = asked(ALL);
      asked.privateToAnother = true;
      assertThat(Pipeline.now(asked)).isEqualTo(mask("find", "govern"));
      asked.granted = READER;
      assertThat(Pipeline.now(asked)).isZero();
      assertThat(Pipeline.standing(asked)).as("standing rights leave conditions out").isEqualTo(READER);
    }

    @Test
    void frozen_and_checked_out_take_what_changes_the_document() {
      Asked asked = asked(ALL);
      asked.frozen = true;
      assertThat(Pipeline.now(asked)).isEqualTo(ALL & ~mask("revise", "describe", "delete"));
      asked.frozen = false;
      asked.checkedOutByAnother = true;
      assertThat(Pipeline.now(asked)).isEqualTo(ALL & ~mask("revise", "delete"));
    }
  }

  @Nested
  class Oversight {
    @Test
    void lets_staff_see_through_clearance_and_conditions_and_never_an_outsider() {
      Asked asked = asked(ALL);
      asked.guarded = true;
      asked.privateToAnother = true;
      asked.overseen = true;
      assertThat(Pipeline.now(asked)).isEqualTo(mask("find", "read"));
      asked.external = true;
      assertThat(Pipeline.now(asked)).isZero();
    }
  }
}
