/** What is wrong with the house's texts as a whole, by cause, and mending a cause at a time. */
package rhetor.app.audit;
