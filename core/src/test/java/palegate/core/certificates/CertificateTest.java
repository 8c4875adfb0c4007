package palegate.core.certificates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallProof;

class CertificateTest {
  private static final Subject OLA = new Subject.OfPerson("ola");

  private static Wall wall(Wall.State state, Period period, Barrier barrier) {
    return new Wall("w", "Wall", "reason", state, period, barrier, List.of());
  }

  @Test
  void a_certificate_is_read_as_it_was_written_and_its_digests_tell_states_and_definitions_apart() {
    Wall seal = wall(Wall.State.STANDING, Period.ALWAYS, new Barrier.Seal(Scope.ofPlaces("cas"), List.of(OLA)));
    Structure structure = Harbour.structure().guardedBy(List.of(), List.of(seal));
    WallProof proof = WallProof.of(Snapshot.of(structure), seal, Harbour.NOW, 10, Long.MIN_VALUE + 7, WallProof.Progress.NONE);
    Certificate certificate = new Certificate(Harbour.NOW, Certificate.digest(structure), List.of(Certificate.Proved.of(seal, proof)));
    assertThat(Certificate.read(certificate.toJson())).contains(certificate);
    assertThat(Certificate.digest(Harbour.structure())).isNotEqualTo(certificate.bundleDigest());
    Wall renamed = new Wall("w", "Another name", "another reason", seal.state(), seal.period(), seal.barrier(), List.of());
    Wall widened = wall(Wall.State.STANDING, Period.ALWAYS, new Barrier.Seal(Scope.ofPlaces("root"), List.of(OLA)));
    assertThat(Certificate.digestOf(renamed)).isEqualTo(Certificate.digestOf(seal));
    assertThat(Certificate.digestOf(widened)).isNotEqualTo(Certificate.digestOf(seal));
    for (String wrong : List.of("", "[]", "{\"format\": \"other\"}", "{\"format\": \"pale-gate-certificate\", \"version\": 1, \"walls\": []}", "{\"format\": \"pale-gate-certificate\", \"version\": 2, \"at\": \"" + Instant.EPOCH + "\", \"walls\": []}")) {
      assertThat(Certificate.read(wrong)).as(wrong).isEmpty();
    }
  }
}
