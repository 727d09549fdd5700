/** What a text asserts, and whether a product's facts and licensed claims bear it out. */
package rhetor.core.support;
