package rhetor.core.image;

/**
 * A colour with its name in the trade.
 *
 * @param name its name, such as {@code moss green}
 * @param hex its mean value in the picture, such as {@code #5b6f3a}
 * @param share how much of the subject it covers, 0 to 1
 */
public record NamedColour(String name, String hex, double share) {}
