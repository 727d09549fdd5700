/**
 * What happened while nobody looked on: kept for the house to read, told by mail to whoever wants
 * it, and to the house's own programs by a signed call.
 */
package rhetor.app.news;
