package palegate.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.security.acls.domain.AclAuthorizationStrategy;
import org.springframework.security.acls.domain.AclImpl;
import org.springframework.security.acls.domain.BasePermission;
import org.springframework.security.acls.domain.DefaultPermissionGrantingStrategy;
import org.springframework.security.acls.domain.GrantedAuthoritySid;
import org.springframework.security.acls.domain.ObjectIdentityImpl;
import org.springframework.security.acls.domain.PrincipalSid;
import org.springframework.security.acls.model.NotFoundException;
import org.springframework.security.acls.model.Permission;
import org.springframework.security.acls.model.PermissionGrantingStrategy;
import org.springframework.security.acls.model.Sid;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.demo.Structures;

/**
 * The access-control-list library with everything in its own objects in memory, as its cache would have it at
 * best: one list a place, inheriting from its parent unless it stands alone; groups as authorities of the person,
 * which is given them for free.
 */
final class AclAlternative {
  private static final List<Permission> READ = List.of(BasePermission.READ);

  private final AclImpl[] lists;
  private final List<List<Sid>> sids = new ArrayList<>();

  AclAlternative(Snapshot snapshot) {
    AclAuthorizationStrategy anyone = (acl, change) -> {};
    PermissionGrantingStrategy granting = new DefaultPermissionGrantingStrategy((granted, entry) -> {});
    lists = new AclImpl[snapshot.placeCount()];
    Sid owner = new PrincipalSid("owner");
    for (int place = 0; place < lists.length; place++) {
      int parent = snapshot.parent(place);
      lists[place] = new AclImpl(new ObjectIdentityImpl("place", (long) place), (long) place, anyone, granting,
          parent < 0 ? null : lists[parent], null, !snapshot.place(place).standsAlone(), owner);
      for (Entry entry : snapshot.ownEntries(place)) {
        if (entry instanceof Grant && snapshot.rightsOf(entry).contains(Right.READ)) {
          lists[place].insertAce(lists[place].getEntries().size(), BasePermission.READ, sid(entry.subject()), true);
        }
      }
    }
    SnapshotAt moment = snapshot.at(Structures.NOW);
    Map<Integer, List<Sid>> byPerson = new HashMap<>();
    for (int person = 0; person < snapshot.personCount(); person++) {
      List<Sid> mine = new ArrayList<>();
      if (snapshot.person(person).active()) {
        mine.add(new PrincipalSid(snapshot.person(person).id()));
      }
      byPerson.put(person, mine);
    }
    List<Subject> subjects = new ArrayList<>(List.of(Subject.BuiltIn.STAFF));
    snapshot.structure().groups().keySet().forEach(id -> subjects.add(new Subject.OfGroup(id)));
    for (Subject subject : subjects) {
      moment.matching(subject).and(moment.active()).forEach(person -> byPerson.get(person).add(sid(subject)));
    }
    for (int person = 0; person < snapshot.personCount(); person++) {
      sids.add(byPerson.get(person));
    }
  }

  int mayRead(int person, int place) {
    if (sids.get(person).isEmpty()) {
      return 0;
    }
    try {
      return lists[place].isGranted(READ, sids.get(person), true) ? 1 : 0;
    } catch (NotFoundException nothingSaid) {
      return 0;
    }
  }

  private static Sid sid(Subject subject) {
    return subject instanceof Subject.OfPerson ? new PrincipalSid(subject.id()) : new GrantedAuthoritySid(subject.kind() + ":" + subject.id());
  }
}
