/**
 * What is told of a product and what isn't: every fact is told in prose, listed as it stands, or
 * left out, and says why.
 */
package rhetor.core.plan;
