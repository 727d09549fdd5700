package rhetor.app.style;

/** Said when the house has another style: texts are to be held to it. */
public record StyleChanged(long version) {}
