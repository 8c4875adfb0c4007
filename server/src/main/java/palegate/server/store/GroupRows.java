package palegate.server.store;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/** Groups and their memberships in the database; a membership has a history of its own. */
@Component
class GroupRows {
  /** A membership and the group that it is of. */
  record Held(String group, Membership membership) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  GroupRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  /** Groups with their members, both as of the change. */
  List<Group> groupsAsOf(long change) {
    Map<String, List<Membership>> members = new LinkedHashMap<>();
    for (Held held : Dated.parts(memberships(Span.asOf(change)))) {
      members.computeIfAbsent(held.group(), any -> new ArrayList<>()).add(held.membership());
    }
    return Dated.parts(groups(Span.asOf(change))).stream().map(group -> new Group(group.id(), group.name(),
        group.description(), members.getOrDefault(group.id(), List.of()))).toList();
  }

  /** Groups without their members. */
  List<Dated<Group>> groups(Span span) {
    return jdbc.sql("SELECT r.group_id, r.name, r.description, r.began, r.ended FROM group_states r WHERE " + span.condition() + " ORDER BY r.group_id")
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Group(row.getString("group_id"), row.getString("name"), row.getString("description"), List.of())))
        .list();
  }

  List<Dated<Held>> memberships(Span span) {
    return jdbc.sql("""
            SELECT r.group_id, r.member_person, r.member_group, r.holds_from, r.holds_until, r.began, r.ended
            FROM memberships r WHERE %s
            ORDER BY r.group_id, r.member_person, r.member_group, r.holds_from
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> {
          String person = row.getString("member_person");
          Membership.Member member = person == null
              ? new Membership.GroupMember(row.getString("member_group")) : new Membership.PersonMember(person);
          return Dated.of(row, new Held(row.getString("group_id"), new Membership(member, Instants.period(row))));
        }).list();
  }

  void write(StructureDifference altered, long change) {
    Parts<Group> before = altered.before().groups();
    Parts<Group> after = altered.after().groups();
    // Whose members alone differ is called as it was.
    Set<String> called = altered.groups().stream().filter(id -> !Objects.equals(bare(before.get(id)), bare(after.get(id)))).collect(Collectors.toSet());
    RowChanges<Group> groups = RowChanges.of(altered, called, Structure::groups);
    batches.changeOneEach("UPDATE group_states SET ended = ? WHERE group_id = ? AND ended IS NULL", groups.over(),
        group -> new Object[] {change, group.id()});
    batches.name("INSERT INTO person_groups (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", groups.begun(), group -> group.id());
    batches.insert("INSERT INTO group_states (group_id, began, name, description) VALUES (?, ?, ?, ?)", groups.begun(),
        group -> new Object[] {group.id(), change, group.name(), group.description()});
    writeMemberships(held(before, altered.groups()), held(after, altered.groups()), change);
  }

  private void writeMemberships(Set<Held> before, Set<Held> after, long change) {
    batches.changeOneEach("""
        UPDATE memberships SET ended = ?
        WHERE group_id = ? AND member_person <=> ? AND member_group <=> ? AND holds_from <=> ? AND holds_until <=> ?
          AND ended IS NULL
        """, before.stream().filter(held -> !after.contains(held)).toList(), held -> values(change, held));
    batches.insert("""
        INSERT INTO memberships (began, group_id, member_person, member_group, holds_from, holds_until)
        VALUES (?, ?, ?, ?, ?, ?)
        """, after.stream().filter(held -> !before.contains(held)).toList(), held -> values(change, held));
  }

  private static Object[] values(long change, Held held) {
    Membership.Member member = held.membership().member();
    boolean person = member instanceof Membership.PersonMember;
    LocalDateTime from = Instants.toDatabase(held.membership().period().from());
    LocalDateTime until = Instants.toDatabase(held.membership().period().until());
    return new Object[] {change, held.group(), person ? member.id() : null, person ? null : member.id(), from, until};
  }

  private static Set<Held> held(Parts<Group> groups, Set<String> ids) {
    Set<Held> held = new HashSet<>();
    ids.stream().map(groups::get).filter(Objects::nonNull)
        .forEach(group -> group.members().forEach(membership -> held.add(new Held(group.id(), membership))));
    return held;
  }

  /** A group without its members, which have rows of their own. */
  private static Group bare(Group group) {
    return group == null ? null : group.with(List.of());
  }
}
