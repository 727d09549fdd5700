package rhetor.core.fact;

/**
 * A person's word on what a fact is when sources disagree.
 *
 * @param factId id of the fact
 * @param value the version that is right
 */
public record Settlement(String factId, Value value) {}
