/** Fewer entries that give exactly the same: proposals, each proved by rehearsal. */
package palegate.core.mining;
