/** The kinds of products that the house sells: what must be known of them, and what is listed. */
package rhetor.app.kind;
