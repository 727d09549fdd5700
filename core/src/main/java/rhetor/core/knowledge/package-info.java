/**
 * What Rhetor knows of products in general: {@link rhetor.core.knowledge.Knowledge} holds concepts,
 * classes, units, words and claims, which are data files.
 */
package rhetor.core.knowledge;
