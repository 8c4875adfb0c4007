/** How people, subjects and entries are shown, in every room alike. */
package palegate.server.views;
