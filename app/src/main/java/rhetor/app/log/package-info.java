/** The house's log: who did what, when, and from where. */
package rhetor.app.log;
