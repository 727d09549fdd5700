/** Finding a keyword in a text: word for word, inflected, or not at all. */
package rhetor.core.keyword;
