package rhetor.app.range;

/** Said when products have come into a range or left it: other rules may hold for their texts. */
public record RangeChanged(long range) {}
