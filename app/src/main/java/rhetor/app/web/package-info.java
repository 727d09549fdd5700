/** What all of the HTTP side shares: errors as problem details, and the front end's page. */
package rhetor.app.web;
