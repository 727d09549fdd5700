/** Products with their facts, and lists of them. */
package rhetor.app.product;
