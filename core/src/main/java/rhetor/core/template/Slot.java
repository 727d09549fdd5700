package rhetor.core.template;

/**
 * What stands in a slot of the house's own words.
 *
 * @param value the words
 * @param fact id of the fact that they come from; empty if from none
 */
public record Slot(String value, String fact) {}
