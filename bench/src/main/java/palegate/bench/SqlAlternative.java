package palegate.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import palegate.core.access.Grant;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** The obvious recursive SQL on the same data in MariaDB, with every index that helps. */
final class SqlAlternative implements AutoCloseable {
  private static final String MAY_READ = """
      WITH RECURSIVE up (id, parent, stands_alone) AS (
        SELECT id, parent, stands_alone FROM bench_places WHERE id = ?
        UNION ALL
        SELECT p.id, p.parent, p.stands_alone FROM bench_places p JOIN up ON p.id = up.parent WHERE up.stands_alone = 0
      ), mine (id) AS (
        SELECT group_id FROM bench_person_members WHERE person = ?
        UNION
        SELECT m.group_id FROM bench_group_members m JOIN mine ON m.member = mine.id
      )
      SELECT EXISTS (
        SELECT 1 FROM bench_people me JOIN up JOIN bench_grants g ON g.place = up.id
        WHERE me.id = ? AND me.active = 1 AND g.may_read = 1
          AND (g.person = me.id OR g.staff = 1 AND me.external = 0 OR g.group_id IN (SELECT id FROM mine)))
      """;

  private static final String READERS = """
      WITH RECURSIVE up (id, parent, stands_alone) AS (
        SELECT id, parent, stands_alone FROM bench_places WHERE id = ?
        UNION ALL
        SELECT p.id, p.parent, p.stands_alone FROM bench_places p JOIN up ON p.id = up.parent WHERE up.stands_alone = 0
      ), inside (id) AS (
        SELECT g.group_id FROM up JOIN bench_grants g ON g.place = up.id WHERE g.may_read = 1 AND g.group_id IS NOT NULL
        UNION
        SELECT m.member FROM bench_group_members m JOIN inside ON m.group_id = inside.id
      )
      SELECT COUNT(*) FROM (
        SELECT p.id FROM up JOIN bench_grants g ON g.place = up.id JOIN bench_people p ON p.id = g.person WHERE g.may_read = 1 AND p.active = 1
        UNION
        SELECT p.id FROM up JOIN bench_grants g ON g.place = up.id JOIN bench_people p ON p.external = 0 WHERE g.may_read = 1 AND g.staff = 1 AND p.active = 1
        UNION
        SELECT p.id FROM inside JOIN bench_person_members m ON m.group_id = inside.id JOIN bench_people p ON p.id = m.person WHERE p.active = 1
      ) readers
      """;

  private final Snapshot snapshot;
  private final Connection connection;
  private final PreparedStatement mayRead;
  private final PreparedStatement readers;

  SqlAlternative(Snapshot snapshot) throws SQLException {
    this.snapshot = snapshot;
    connection = DriverManager.getConnection(System.getenv("PALEGATE_DB_URL"), "palegate", System.getenv("PALEGATE_DB_PASSWORD"));
    make();
    fill(snapshot.structure());
    mayRead = connection.prepareStatement(MAY_READ);
    readers = connection.prepareStatement(READERS);
  }

  int mayRead(int person, int place) {
    try {
      mayRead.setString(1, snapshot.place(place).id());
      mayRead.setString(2, snapshot.person(person).id());
      mayRead.setString(3, snapshot.person(person).id());
      return first(mayRead);
    } catch (SQLException failed) {
      throw new IllegalStateException(failed);
    }
  }

  int readers(int place) {
    try {
      readers.setString(1, snapshot.place(place).id());
      return first(readers);
    } catch (SQLException failed) {
      throw new IllegalStateException(failed);
    }
  }

  private static int first(PreparedStatement statement) throws SQLException {
    try (ResultSet row = statement.executeQuery()) {
      row.next();
      return row.getInt(1);
    }
  }

  private void make() throws SQLException {
    try (Statement statement = connection.createStatement()) {
      for (String table : List.of("bench_grants", "bench_group_members", "bench_person_members", "bench_places", "bench_people")) {
        statement.execute("DROP TABLE IF EXISTS " + table);
      }
      statement.execute("CREATE TABLE bench_people (id VARCHAR(64) PRIMARY KEY, external TINYINT NOT NULL, active TINYINT NOT NULL)");
      statement.execute("CREATE TABLE bench_places (id VARCHAR(64) PRIMARY KEY, parent VARCHAR(64), stands_alone TINYINT NOT NULL)");
      statement.execute("CREATE TABLE bench_person_members (person VARCHAR(64), group_id VARCHAR(64), PRIMARY KEY (person, group_id), KEY (group_id))");
      statement.execute("CREATE TABLE bench_group_members (member VARCHAR(64), group_id VARCHAR(64), PRIMARY KEY (member, group_id), KEY (group_id))");
      statement.execute("""
          CREATE TABLE bench_grants (id VARCHAR(64) PRIMARY KEY, place VARCHAR(64) NOT NULL, person VARCHAR(64), group_id VARCHAR(64),
                                     staff TINYINT NOT NULL, may_read TINYINT NOT NULL, KEY (place))
          """);
    }
  }

  private void fill(Structure structure) throws SQLException {
    connection.setAutoCommit(false);
    try (PreparedStatement people = connection.prepareStatement("INSERT INTO bench_people VALUES (?, ?, ?)");
        PreparedStatement places = connection.prepareStatement("INSERT INTO bench_places VALUES (?, ?, ?)");
        PreparedStatement members = connection.prepareStatement("INSERT INTO bench_person_members VALUES (?, ?)");
        PreparedStatement inner = connection.prepareStatement("INSERT INTO bench_group_members VALUES (?, ?)");
        PreparedStatement grants = connection.prepareStatement("INSERT INTO bench_grants VALUES (?, ?, ?, ?, ?, ?)")) {
      for (Person person : structure.people().values()) {
        add(people, person.id(), person.external(), person.active());
      }
      for (Place place : structure.places().values()) {
        add(places, place.id(), place.parent(), place.standsAlone());
      }
      for (Group group : structure.groups().values()) {
        for (Membership member : group.members()) {
          add(member.member() instanceof Membership.PersonMember ? members : inner, member.member().id(), group.id());
        }
      }
      for (Grant grant : structure.grants().values()) {
        add(grants, grant.id(), grant.place(), grant.subject() instanceof Subject.OfPerson ? grant.subject().id() : null,
            grant.subject() instanceof Subject.OfGroup ? grant.subject().id() : null, grant.subject() == Subject.BuiltIn.STAFF,
            structure.roles().get(grant.role()).rights().contains(Right.READ));
      }
      for (PreparedStatement statement : List.of(people, places, members, inner, grants)) {
        statement.executeBatch();
      }
    }
    connection.commit();
    connection.setAutoCommit(true);
    try (Statement statement = connection.createStatement()) {
      statement.execute("ANALYZE TABLE bench_people, bench_places, bench_person_members, bench_group_members, bench_grants");
    }
  }

  private static void add(PreparedStatement statement, Object... values) throws SQLException {
    for (int i = 0; i < values.length; i++) {
      statement.setObject(i + 1, values[i]);
    }
    statement.addBatch();
  }

  @Override
  public void close() throws SQLException {
    connection.close();
  }
}
