/** A simulated shop: an HTTP API for texts, and the pages that its shoppers see. */
package rhetor.standins.shop;
