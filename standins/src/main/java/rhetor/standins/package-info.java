/** Small simulated outside services, and the invented house that the demo is made of. */
package rhetor.standins;
