/**
 * What a text is, whoever wrote it: {@link rhetor.core.text.Draft} has its fields in blocks of
 * sentences, each with what it rests on.
 */
package rhetor.core.text;
