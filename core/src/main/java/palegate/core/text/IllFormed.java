package palegate.core.text;

/** What would be held is not well-formed; says what is wrong and what would be right as every way in says it. */
public final class IllFormed extends IllegalArgumentException {
  private final transient WellFormed.Wrong wrong;

  public IllFormed(WellFormed.Wrong wrong) {
    super(wrong.what() + " " + wrong.remedy());
    this.wrong = wrong;
  }

  public WellFormed.Wrong wrong() {
    return wrong;
  }
}
