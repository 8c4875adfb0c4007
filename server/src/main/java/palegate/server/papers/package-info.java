/** What somebody has of the repository as a person, without any duty: to find, to open and to work on. */
package palegate.server.papers;
