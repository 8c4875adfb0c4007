package palegate.core.access.stages;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

class StagesTest {
  private static final Rights READER = Rights.parse(List.of("find", "read", "copy"));

  record Asked(boolean active, Rights granted, Rights withheld) implements PersonAtPlace {}

  record Everyone(RoaringBitmap active, List<Line> grants, List<Line> withholdings) implements EveryoneAtPlace {}

  @Test
  void the_pipeline_has_the_stages_in_the_order_of_the_rules() {
    assertThat(Pipeline.STAGES).extracting(Stage::number).isSorted().containsExactly(0, 2, 3, 6);
    assertThat(Pipeline.STAGES).extracting(Stage::title).containsExactly("active", "grants", "withholdings", "close");
  }

  @Nested
  class Active {
    @Test
    void ends_the_evaluation_of_an_inactive_person_whatever_is_granted() {
      assertThat(Pipeline.rights(new Asked(false, Rights.ALL, Rights.NONE))).isEqualTo(Rights.NONE);
    }

    @Test
    void leaves_inactive_people_out_of_everyone() {
      Everyone everyone = new Everyone(people(1), List.of(line(READER, 1, 2)), List.of());
      assertThat(Pipeline.holders(everyone).of(Right.READ)).isEqualTo(people(1));
    }
  }

  @Nested
  class Grants {
    @Test
    void unite_and_never_lower_each_other() {
      assertThat(new GrantStage().apply(Rights.of(Right.FIND), new Asked(true, READER, Rights.NONE))).isEqualTo(READER);
    }

    @Test
    void nothing_gives_by_default() {
      assertThat(Pipeline.rights(new Asked(true, Rights.NONE, Rights.NONE))).isEqualTo(Rights.NONE);
    }
  }

  @Nested
  class Withholdings {
    @Test
    void take_the_named_rights_only() {
      assertThat(new WithholdingStage().apply(READER, new Asked(true, READER, Rights.of(Right.COPY))))
          .hasToString("find read");
    }

    @Test
    void take_from_those_they_name_and_no_one_else() {
      Everyone everyone = new Everyone(people(1, 2), List.of(line(READER, 1, 2)), List.of(line(Rights.of(Right.COPY), 2)));
      Holders holders = Pipeline.holders(everyone);
      assertThat(holders.of(1)).isEqualTo(READER);
      assertThat(holders.of(2)).hasToString("find read");
    }
  }

  @Nested
  class Close {
    @Test
    void drops_what_has_lost_its_need() {
      assertThat(Pipeline.rights(new Asked(true, Rights.ALL, Rights.of(Right.READ))))
          .hasToString("find add describe delete govern");
    }

    @Test
    void withholding_find_leaves_nothing_for_one_or_for_all() {
      Everyone everyone = new Everyone(people(1), List.of(line(Rights.ALL, 1)), List.of(line(Rights.of(Right.FIND), 1)));
      assertThat(Pipeline.holders(everyone).anyone().isEmpty()).isTrue();
    }
  }

  private static RoaringBitmap people(int... numbers) {
    return RoaringBitmap.bitmapOf(numbers);
  }

  private static EveryoneAtPlace.Line line(Rights rights, int... people) {
    return new EveryoneAtPlace.Line(people(people), rights);
  }
}
