package rhetor.app.channel;

import java.util.Optional;
import rhetor.core.style.Spelling;

/**
 * Where texts go besides the house's own shop: another shop, a reseller.
 *
 * @param spelling which English it is written in; empty for the house's
 * @param takesMarkup whether descriptions may have markup there
 */
public record Channel(long id, String name, Optional<Spelling> spelling, boolean takesMarkup) {}
