/** Reviews that come back: what is asked, of whom, in which order, what an answer does. */
package palegate.core.rounds;
