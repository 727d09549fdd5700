/**
 * What is known of a product: {@link rhetor.core.fact.FactReader} turns a sheet's row into typed
 * facts, each with the cell it comes from. {@link rhetor.core.fact.Knowledge} holds concepts,
 * classes, units and claims, which are data files.
 */
package rhetor.core.fact;
