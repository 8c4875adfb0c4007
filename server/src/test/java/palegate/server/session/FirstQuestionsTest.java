package palegate.server.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.store.Snapshots;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.json.JsonMapper;

/** After a start the first rooms of those who were there last are made ready: theirs alone, and one that fails keeps no other waiting. */
@ExtendWith(InDemo.class)
class FirstQuestionsTest {
  private record Noting(String room, List<String> made) implements MadeReady {
    @Override
    public List<Object> makeReady(String account) {
      made.add(room + " of " + account);
      if (room.equals("gatehouse")) {
        throw new IllegalStateException("It goes wrong.");
      }
      return List.of(made);
    }
  }

  @Test
  void only_the_rooms_that_somebody_has_are_made_ready_for_them_in_the_order_of_the_work(TestApplication app) {
    List<String> made = new ArrayList<>();
    FirstQuestions first = new FirstQuestions(app.bean(Snapshots.class), app.bean(Sessions.class), app.bean(Accounts.class), List.of(new Noting("findings", made), new Noting("duties", made), new Noting("gatehouse", made)), app.bean(JsonMapper.class));
    first.makeReady("linnet.sayle");
    first.makeReady("mia.torrance");
    first.makeReady("wenna.carrow");
    assertThat(made).containsExactly("gatehouse of linnet.sayle", "findings of linnet.sayle", "gatehouse of wenna.carrow", "findings of wenna.carrow", "duties of wenna.carrow");
  }

  @Test
  void whoever_was_there_last_comes_first_and_each_once(TestApplication app) {
    app.signedIn("oriel.fenn").get("/api/session");
    app.signedIn("wenna.carrow").get("/api/session");
    app.signedIn("oriel.fenn").get("/api/session");
    app.database().asOwner().sql("UPDATE SPRING_SESSION SET LAST_ACCESS_TIME = LAST_ACCESS_TIME + 1000000000 WHERE PRINCIPAL_NAME = 'wenna.carrow'").update();
    assertThat(app.bean(Sessions.class).newest(2)).hasSize(2).startsWith("wenna.carrow");
    assertThat(app.bean(Sessions.class).newest(100)).contains("oriel.fenn").doesNotHaveDuplicates();
  }

  @Test
  void every_room_that_can_be_made_ready_is_for_whoever_has_it(TestApplication app) {
    List<MadeReady> rooms = app.bean(FirstQuestions.class).rooms();
    assertThat(rooms).extracting(MadeReady::room).containsExactlyInAnyOrder("gatehouse", "findings", "matrix");
    for (String account : List.of("wenna.carrow", "oriel.fenn", "linnet.sayle")) {
      rooms.forEach(room -> room.makeReady(account));
    }
  }
}
