/**
 * How sheets are read: {@link rhetor.core.reading.ReadingProposer} tells what each column is, and
 * {@link rhetor.core.reading.FactReader} turns rows into typed facts, each with the cell it comes
 * from.
 */
package rhetor.core.reading;
