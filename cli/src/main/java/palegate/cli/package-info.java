/** The command line over the core: bundles in, answers out, no server. */
package palegate.cli;
