/** Publishing signed-off texts to the shop. */
package rhetor.app.edition;
