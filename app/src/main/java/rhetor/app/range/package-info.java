/** Named sets of products that are worked on together. */
package rhetor.app.range;
