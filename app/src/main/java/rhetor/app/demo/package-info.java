/** The demo house's people and first sheets. */
package rhetor.app.demo;
