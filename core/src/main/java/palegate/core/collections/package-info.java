/** What knows nothing of access: pages of numbers, interned rows, indexes, sets of people as bits, orders. */
package palegate.core.collections;
