/** Questions typed in plain words, answered from what whoever asks may know. */
package palegate.server.asking;
