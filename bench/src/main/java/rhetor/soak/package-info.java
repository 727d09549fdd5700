/** Everything at once for a while, with crashes, and then whether the house has kept its word. */
package rhetor.soak;
