package rhetor.app.product;

/** Products of an intake are there, or have other facts; told within its transaction. */
public record ProductsTakenIn(long intake) {}
