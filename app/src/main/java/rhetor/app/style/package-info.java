/** What the house decides once and every text obeys. */
package rhetor.app.style;
