/**
 * English: {@link rhetor.core.say.en.Wording} puts facts into phrases, {@link
 * rhetor.core.say.en.SentenceWriter} phrases into sentences, and {@link
 * rhetor.core.say.en.EnglishProse} tells what reads as prose.
 */
package rhetor.core.say.en;
