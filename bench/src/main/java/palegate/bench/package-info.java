/** Measures the core: JMH benchmarks on structures generated from a seed. */
package palegate.bench;
