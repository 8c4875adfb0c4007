/** Putting drafts in force, now or when their time has come: everything or nothing. */
package palegate.server.inforce;
