/** English morphology: articles, plurals, verbs, casing, and what a dictionary knows of a word. */
package rhetor.core.language;
