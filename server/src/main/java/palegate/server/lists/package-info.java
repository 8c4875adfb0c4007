/** Lists of any length: the part of one that is looked at, found by a text and put in an order. */
package palegate.server.lists;
