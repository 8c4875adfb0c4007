/** What a draft would do: who gains and loses what, where, when, and whether it may (access rules, section 8). */
package palegate.core.rehearsal;
