package palegate.core.snapshot;

import java.util.concurrent.atomic.AtomicReferenceArray;

/**
 * The rights in every class of the people who are asked about again and again: from then on an answer about one of them is
 * two reads. A moment never changes, so what is kept never becomes wrong; it is given up when room is short. Safe to share:
 * two threads that count at once may lose a count, never an answer.
 */
final class OftenAsked {
  /** After so many questions about one person the work for all classes has been done several times over. */
  static final int OFTEN = 20_000;
  /** So many rights are kept at most, two bytes each: about 500 people of a million documents. */
  static final int MOST_KEPT = 32_000_000;

  private final Moment moment;
  private final int[] asked;
  private final AtomicReferenceArray<short[]> kept;
  private final int mostKept;
  private int room;

  OftenAsked(Moment moment, int people, int mostKept) {
    this.moment = moment;
    this.mostKept = mostKept;
    room = mostKept;
    asked = new int[people];
    kept = new AtomicReferenceArray<>(people);
  }

  /** A person's rights by class, as masks; null if they are not asked about often. O(1), but O(classes) once they are. */
  short[] rightsOf(int person) {
    short[] known = kept.getAcquire(person);
    return known != null || ++asked[person] < OFTEN ? known : keep(person);
  }

  private synchronized short[] keep(int person) {
    short[] known = kept.getAcquire(person);
    if (known != null) {
      return known;
    }
    int[] rights = moment.rightsInEveryClass(person);
    if (rights.length > room) {
      giveUpAll();
    }
    asked[person] = 0;
    room -= rights.length;
    short[] masks = new short[rights.length];
    for (int number = 0; number < masks.length; number++) {
      masks[number] = (short) rights[number];
    }
    kept.setRelease(person, masks);
    return masks;
  }

  /** Others are asked about now, or the same will be again. */
  private void giveUpAll() {
    for (int person = 0; person < asked.length; person++) {
      kept.setRelease(person, null);
      asked[person] = 0;
    }
    room = mostKept;
  }
}
