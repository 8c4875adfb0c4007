package palegate.core.bundle;

/**
 * What is wrong with a bundle, and where.
 *
 * @param pointer the JSON pointer (RFC 6901) of the place in the file; empty for the whole file
 * @param what what is wrong, naming the value
 * @param remedy what would be right
 */
public record Fault(String pointer, String what, String remedy) implements Comparable<Fault> {
  @Override
  public int compareTo(Fault other) {
    int byPointer = pointer.compareTo(other.pointer);
    return byPointer != 0 ? byPointer : what.compareTo(other.what);
  }

  @Override
  public String toString() {
    return pointer + ": " + what + " " + remedy;
  }
}
