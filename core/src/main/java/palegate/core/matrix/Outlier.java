package palegate.core.matrix;

import palegate.core.roles.Rights;

/**
 * A cell that departs from those it is compared with.
 *
 * @param row by position
 * @param column by position
 * @param along how the columns beside it stand in its row; null if they follow no pattern
 * @param down how the rows beside it stand in its column; null if they follow no pattern
 * @param lacks whether it has what is usual all around, where each of its neighbours has one exception
 * @param measure in bits: how much less likely than its neighbours; the larger the stranger
 */
public record Outlier(int row, int column, Rights rights, Pattern along, Pattern down, boolean lacks, double measure) {
  /**
   * What is usual among those compared.
   *
   * @param usual what most of them have
   * @param alike how many have it
   * @param of how many were compared, this one too
   */
  public record Pattern(Rights usual, int alike, int of) {}
}
