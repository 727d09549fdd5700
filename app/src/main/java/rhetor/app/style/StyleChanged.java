package rhetor.app.style;

/**
 * Said when other rules hold for texts, which are to be held to them.
 *
 * @param what what changed, told from all changes before
 */
public record StyleChanged(String what) {}
