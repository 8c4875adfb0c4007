package palegate.core.statements;

/** A statement that cannot be made as it was asked for: what is wrong, and what would be right. */
public final class RefusedRecipe extends RuntimeException {
  private final String key;
  private final String what;
  private final String remedy;

  public RefusedRecipe(String key, String what, String remedy) {
    super(what + " " + remedy);
    this.key = key;
    this.what = what;
    this.remedy = remedy;
  }

  /** The part of the recipe that is wrong. */
  public String key() {
    return key;
  }

  public String what() {
    return what;
  }

  public String remedy() {
    return remedy;
  }
}
