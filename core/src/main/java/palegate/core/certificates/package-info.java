/** The certificate that walls hold, an open format (docs/certificate.md). */
package palegate.core.certificates;
