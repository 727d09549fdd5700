package rhetor.core.compose;

import rhetor.core.style.Voice;

/**
 * What one text is written with.
 *
 * @param voice how it sounds
 * @param variety what it is to differ from
 * @param range what the product is compared with
 */
record Pen(Voice voice, Rotation rotation, Variety variety, ValueText values, RangeFigures range) {}
