package palegate.server.views;

import java.time.Instant;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.shell.MayBeMissing;

/**
 * An entry as the interface shows it.
 *
 * @param kind grant or withholding
 * @param role the role's name; null for a withholding
 * @param types the names of the types it is narrowed to
 * @param typeIds their ids
 * @param sharedBy who made it by sharing, by name; missing if a duty made it
 * @param pass whether it was made through a pass
 */
public record EntryView(
    String id, String kind, String place, String placeName, String subjectKind, String subjectId, String subjectName,
    @MayBeMissing String role, @MayBeMissing String roleId, List<String> rights, List<String> types, List<String> typeIds, @MayBeMissing Instant from, @MayBeMissing Instant until, @MayBeMissing String note, @MayBeMissing String sharedBy, boolean pass) {

  public static EntryView of(Entry entry, Rights rights, Structure structure) {
    String role = entry instanceof Grant grant ? structure.roles().get(grant.role()).name() : null;
    return new EntryView(entry.id(), entry instanceof Grant ? "grant" : "withholding", entry.place(),
        structure.places().get(entry.place()).name(), entry.subject().kind(), entry.subject().id(),
        SubjectNames.of(entry.subject(), structure), role, entry instanceof Grant grant ? grant.role() : null, rights.words(),
        entry.types().stream().map(type -> structure.types().get(type).name()).sorted().toList(), entry.types().stream().sorted().toList(),
        entry.period().from(), entry.period().until(), entry.note(), sharedBy(entry, structure), entry instanceof Grant grant && grant.pass() != null);
  }

  private static String sharedBy(Entry entry, Structure structure) {
    return entry instanceof Grant grant && grant.sharedBy() != null && structure.people().containsKey(grant.sharedBy()) ? structure.people().get(grant.sharedBy()).name() : null;
  }
}
