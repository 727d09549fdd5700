/**
 * What a grammar checker has found in sentences, kept for each sentence, so that nothing waits for
 * it.
 */
package rhetor.app.grammar;
