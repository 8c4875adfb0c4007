/** What whoever asks may know: every controller asks here, and none of the whole structure. */
package palegate.server.viewpoint;
