/**
 * Writing text from facts: {@link rhetor.core.compose.Composer} plans what to say, groups it into
 * sentences, words them, and keeps with every sentence the facts and claims that it rests on.
 */
package rhetor.core.compose;
