/** What Rhetor knows, as the house has it: what ships, with the house's decisions. */
package rhetor.app.knowledge;
