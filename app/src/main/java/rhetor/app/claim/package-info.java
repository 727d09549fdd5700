/** The house's claims: what it lets facts say for the buyer. */
package rhetor.app.claim;
