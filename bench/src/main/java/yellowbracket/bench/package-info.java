/**
 * JMH benchmarks of core, each beside a reference in the same run; read the ratios, machines differ. Start at {@link
 * yellowbracket.bench.Main}.
 */
package yellowbracket.bench;
