/** People, their roles, and signing in. */
package rhetor.app.people;
