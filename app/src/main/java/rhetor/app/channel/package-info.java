/** Channels: where texts go besides the house's own shop. */
package rhetor.app.channel;
