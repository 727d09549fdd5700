/**
 * What is known of a product: {@link rhetor.core.fact.ProductFacts}, and what a fact licenses to
 * say: {@link rhetor.core.fact.Licence}.
 */
package rhetor.core.fact;
