/** The kinds of facts that the house knows: how sheets call them, and how texts tell them. */
package rhetor.app.concept;
