package palegate.core.places;

/**
 * What a place limits for itself and everything below, through every break (section 5).
 *
 * @param ceiling the id of the role to which the rights of outsiders are cut down, or null
 * @param reserveSharing share is only for those who also hold govern
 * @param noTakeaway copy is only for those who also hold revise
 */
public record Guards(String ceiling, boolean reserveSharing, boolean noTakeaway) {
  public static final Guards NONE = new Guards(null, false, false);

  public boolean any() {
    return ceiling != null || reserveSharing || noTakeaway;
  }

  public Guards withCeiling(String role) {
    return new Guards(role, reserveSharing, noTakeaway);
  }
}
