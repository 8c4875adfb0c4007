package palegate.core.changes;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/**
 * What names a group, and what would let it go or hand that over.
 *
 * @param other whether walls, clearances, oversight, duties, passes, shortlists or separations name it: what becomes of those only a person can say
 */
public record GroupUses(Register in, String group, List<Entry> entries, List<MembershipChange.RemoveMember> memberships, boolean other) {
  private static final int AT_MOST = 200;

  /** What an entry says to whomever it names. */
  private record Says(String place, Object what, Set<String> types, Period period) {
    static Says of(Entry entry) {
      return new Says(entry.place(), entry instanceof Grant grant ? grant.role() : ((Withholding) entry).rights(), entry.types(), entry.period());
    }
  }

  public GroupUses {
    entries = List.copyOf(entries);
    memberships = List.copyOf(memberships);
  }

  /** What names each group of a structure, looked up. */
  public static final class Register {
    private final Structure structure;
    private final Instant now;
    private final Map<String, List<Entry>> entries;
    private final Map<String, List<MembershipChange.RemoveMember>> memberships = new HashMap<>();
    private final Set<Subject> other = new HashSet<>();

    /** O(entries, memberships and guards of the structure). */
    public Register(Structure structure, Instant now) {
      this.structure = structure;
      this.now = now;
      entries = structure.entries().filter(entry -> entry.subject() instanceof Subject.OfGroup).sorted(Comparator.comparing(Entry::id)).collect(Collectors.groupingBy(entry -> entry.subject().id()));
      structure.groups().values().stream().sorted(Comparator.comparing(Group::id)).forEach(outer -> outer.members().stream().filter(member -> member.member() instanceof Membership.GroupMember)
          .forEach(member -> memberships.computeIfAbsent(((Membership.GroupMember) member.member()).id(), any -> new ArrayList<>()).add(new MembershipChange.RemoveMember(outer.id(), member))));
      structure.oversights().values().forEach(one -> other.add(one.subject()));
      structure.duties().values().forEach(one -> other.add(one.subject()));
      structure.types().values().forEach(type -> type.clearances().forEach(one -> other.add(one.subject())));
      structure.walls().values().forEach(wall -> {
        wall.exceptions().forEach(one -> other.add(one.subject()));
        wall.barrier().subjects().forEach(other::add);
      });
      structure.passes().values().forEach(pass -> other.addAll(pass.audience()));
      structure.shortlists().values().forEach(list -> list.audiences().forEach(audience -> other.add(audience.subject())));
      structure.separations().values().forEach(separation -> separation.sides().forEach(side -> side.groups().forEach(group -> other.add(new Subject.OfGroup(group)))));
    }

    public GroupUses of(String group) {
      return new GroupUses(this, group, entries.getOrDefault(group, List.of()), memberships.getOrDefault(group, List.of()), other.contains(new Subject.OfGroup(group)));
    }

    private Set<Says> said(String group) {
      return entries.getOrDefault(group, List.of()).stream().map(Says::of).collect(Collectors.toSet());
    }
  }

  /** Removes it and what names it; empty if only a person can say what becomes of that. */
  public Optional<List<Change>> removal() {
    if (other || entries.size() + memberships.size() > AT_MOST) {
      return Optional.empty();
    }
    List<Change> changes = new ArrayList<>();
    entries.forEach(entry -> changes.add(removal(entry)));
    changes.addAll(memberships);
    emptied(changes);
    return Optional.of(changes);
  }

  /** Lets another group take its place everywhere; where that is told the same already, nothing is said twice. */
  public Optional<List<Change>> handOver(String to) {
    Group into = in.structure.groups().get(to);
    if (other || entries.size() + memberships.size() > AT_MOST || entries.stream().anyMatch(entry -> entry.period().endedBy(in.now))
        || memberships.stream().anyMatch(one -> one.membership().period().endedBy(in.now) || one.group().equals(to))
        || memberships.stream().anyMatch(one -> in.structure.groups().get(one.group()).members().stream().anyMatch(member -> member.member().equals(new Membership.GroupMember(to))))
        || into.members().stream().anyMatch(member -> member.member().equals(new Membership.GroupMember(group)))) {
      return Optional.empty();
    }
    List<Change> changes = new ArrayList<>();
    Subject subject = new Subject.OfGroup(to);
    Set<Says> said = in.said(to);
    for (Entry entry : entries) {
      changes.add(removal(entry));
      if (said.contains(Says.of(entry))) {
        continue;
      }
      changes.add(entry instanceof Grant grant ? AccessChange.adding(grant.to(subject))
          : new AccessChange.AddWithholding(new Withholding(entry.id(), entry.place(), subject, ((Withholding) entry).rights(), entry.types(), entry.period(), entry.note())));
    }
    for (MembershipChange.RemoveMember one : memberships) {
      changes.add(one);
      changes.add(new MembershipChange.AddMember(one.group(), new Membership(new Membership.GroupMember(to), one.membership().period())));
    }
    emptied(changes);
    return Optional.of(changes);
  }

  /** How many of its entries say what others say to another group already. */
  public int sharedWith(String other) {
    Set<Says> said = in.said(other);
    return (int) entries.stream().filter(entry -> said.contains(Says.of(entry))).count();
  }

  private static Change removal(Entry entry) {
    return entry instanceof Grant ? new AccessChange.RemoveGrant(entry.place(), entry.id()) : new AccessChange.RemoveWithholding(entry.place(), entry.id());
  }

  private void emptied(List<Change> changes) {
    in.structure.groups().get(group).members().forEach(member -> changes.add(new MembershipChange.RemoveMember(group, member)));
    changes.add(new PeopleChange.RemoveGroup(group));
  }
}
