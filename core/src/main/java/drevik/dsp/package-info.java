/**
 * Processors and their formulas. A {@code ProcessorType} is stateless and says its parameters; a
 * {@code Processor} is the only mutable thing here, belongs to one thread at a time, and gives the
 * same bits however its audio is cut into blocks.
 */
package drevik.dsp;
