package rhetor.core.compose;

import rhetor.core.style.Voice;

/** What one text is written with: its voice, and what sees to it that texts differ. */
record Pen(Voice voice, Rotation rotation, Variety variety, ValueText values) {}
