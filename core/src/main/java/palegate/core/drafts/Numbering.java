package palegate.core.drafts;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;

/**
 * Common person numbers for two snapshots. If both have the same people, as in a rehearsal, they are
 * the numbers of both and translating is free.
 */
final class Numbering {
  private final List<Person> people = new ArrayList<>();
  private final int[] fromBefore;
  private final int[] fromAfter;
  private final boolean same;

  Numbering(Snapshot before, Snapshot after) {
    fromBefore = new int[before.personCount()];
    fromAfter = new int[after.personCount()];
    // Both are in byte order of ids: one merge finds who is in both.
    int b = 0;
    int a = 0;
    while (b < fromBefore.length || a < fromAfter.length) {
      int order = b == fromBefore.length ? 1 : a == fromAfter.length ? -1
          : before.person(b).id().compareTo(after.person(a).id());
      people.add(order >= 0 ? after.person(a) : before.person(b));
      if (order <= 0) {
        fromBefore[b++] = people.size() - 1;
      }
      if (order >= 0) {
        fromAfter[a++] = people.size() - 1;
      }
    }
    same = people.size() == fromBefore.length && people.size() == fromAfter.length;
  }

  Person person(int number) {
    return people.get(number);
  }

  int count() {
    return people.size();
  }

  RoaringBitmap fromBefore(RoaringBitmap bitmap) {
    return translate(bitmap, fromBefore);
  }

  RoaringBitmap fromAfter(RoaringBitmap bitmap) {
    return translate(bitmap, fromAfter);
  }

  Map<String, Integer> numbersById() {
    Map<String, Integer> numbers = new HashMap<>(people.size() * 2);
    for (int i = 0; i < people.size(); i++) {
      numbers.put(people.get(i).id(), i);
    }
    return numbers;
  }

  private RoaringBitmap translate(RoaringBitmap bitmap, int[] numbers) {
    if (same) {
      return bitmap;
    }
    RoaringBitmap translated = new RoaringBitmap();
    bitmap.forEach((int person) -> translated.add(numbers[person]));
    return translated;
  }
}
