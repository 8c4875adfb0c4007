/** The certificate that walls hold, an open format (docs/command-line.md). */
package palegate.core.certificates;
