package rhetor.core.plan;

import rhetor.core.style.Voice;

/**
 * What decides between several ways to tell the same.
 *
 * @param voice how the text sounds
 * @param rotation whose turn it is
 * @param range what the product is compared with
 */
public record Choice(Voice voice, Rotation rotation, RangeFigures range) {}
