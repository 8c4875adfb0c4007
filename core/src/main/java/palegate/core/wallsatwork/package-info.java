/** What a wall does and leaves undone: what it covers, whom it bars, who stands on both sides, what seems to be missing from it, and the proof that it holds (access rules, section 7). */
package palegate.core.wallsatwork;
