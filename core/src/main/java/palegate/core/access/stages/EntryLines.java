package palegate.core.access.stages;

import palegate.core.collections.PersonSet;

/** Some people and the rights that an entry gives them, takes from them or leaves them; counted from 0. */
public interface EntryLines {
  EntryLines NONE = new EntryLines() {
    @Override
    public int count() {
      return 0;
    }

    @Override
    public PersonSet people(int line) {
      throw new IndexOutOfBoundsException(line);
    }

    @Override
    public int rights(int line) {
      throw new IndexOutOfBoundsException(line);
    }
  };

  int count();

  PersonSet people(int line);

  /** A mask. */
  int rights(int line);
}
