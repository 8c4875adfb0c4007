package palegate.core.snapshot;

import java.util.Arrays;
import java.util.concurrent.atomic.AtomicReferenceArray;
import palegate.core.roles.Rights;

/**
 * The rights in every class of the people who are asked about again and again: from then on an answer about one of them is
 * two reads. A moment never changes, so what is kept never becomes wrong; it is given up when room is short. Safe to share:
 * two threads that count at once may lose a count, never an answer.
 */
final class OftenAsked {
  /** After so many questions about one person, they have taken as long as working out all classes does. */
  static final int OFTEN = 20_000;
  /** So many rights are kept at most, a byte each: about 600 people of a million documents. */
  static final int MOST_KEPT = 64_000_000;
  private static final int CODES = 256;

  private final SnapshotAt moment;
  private final int mostKept;
  private final int[] asked;
  /** By person: codes of rights by class. */
  private final AtomicReferenceArray<byte[]> kept;
  /** By code: the rights as a mask. Few sets of rights occur, so a byte tells them apart. */
  private final short[] masks = new short[CODES];
  private final short[] codes = new short[Rights.ALL.mask() + 1];
  private int known;
  private int room;
  private int often = OFTEN;

  OftenAsked(SnapshotAt moment, int people, int mostKept) {
    this.moment = moment;
    this.mostKept = mostKept;
    asked = new int[people];
    kept = new AtomicReferenceArray<>(people);
    Arrays.fill(codes, (short) -1);
    room = mostKept;
  }

  /** The codes of a person's rights by class; null if they are not asked about often. O(1), but O(classes) once they are. */
  byte[] codesOf(int person) {
    byte[] found = kept.getAcquire(person);
    return found != null || ++asked[person] < often ? found : keep(person);
  }

  /** The rights that a code stands for, as a mask. */
  int mask(byte code) {
    return masks[code & CODES - 1];
  }

  private synchronized byte[] keep(int person) {
    byte[] found = kept.getAcquire(person);
    if (found != null) {
      return found;
    }
    asked[person] = 0;
    int[] rights = moment.rightsInEveryClass(person);
    byte[] coded = new byte[rights.length];
    for (int number = 0; number < coded.length; number++) {
      int code = codes[rights[number]];
      if (code < 0) {
        if (known == CODES) {
          return null;
        }
        code = known++;
        masks[code] = (short) rights[number];
        codes[rights[number]] = (short) code;
      }
      coded[number] = (byte) code;
    }
    if (coded.length > room) {
      giveUpAll();
    }
    room -= coded.length;
    kept.setRelease(person, coded);
    return coded;
  }

  /** Others are asked about now. If they are more than there is room for, they are kept less and less eagerly. */
  private void giveUpAll() {
    for (int person = 0; person < asked.length; person++) {
      kept.setRelease(person, null);
      asked[person] = 0;
    }
    room = mostKept;
    often = often > Integer.MAX_VALUE / 2 ? often : often * 2;
  }
}
