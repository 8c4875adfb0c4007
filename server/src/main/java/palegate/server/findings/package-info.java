/** What needs a look, with what would mend it. */
package palegate.server.findings;
