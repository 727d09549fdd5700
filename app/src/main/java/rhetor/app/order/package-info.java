/** Orders in plain words over HTTP. */
package rhetor.app.order;
