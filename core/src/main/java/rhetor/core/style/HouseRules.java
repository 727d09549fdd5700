package rhetor.core.style;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;

/**
 * A style made ready for use on many texts.
 *
 * @param words what no text says
 * @param titleWords what no title says
 */
public record HouseRules(Style style, HouseWords words, HouseWords titleWords) {
  private static final HouseRules STANDARD = make(Style.standard());

  /** Rules made lately: a house has one style, and ranges and channels with their own. */
  private static final int KEPT = 64;

  private static final AtomicReference<List<HouseRules>> LATELY = new AtomicReference<>(List.of());

  /** The rules of a style; made anew only for a style that was not asked for lately. */
  public static HouseRules of(Style style) {
    if (style.equals(Style.standard())) {
      return STANDARD;
    }
    for (HouseRules rules : LATELY.get()) {
      if (rules.style == style || rules.style.equals(style)) {
        return rules;
      }
    }
    HouseRules made = make(style);
    LATELY.updateAndGet(
        lately -> {
          List<HouseRules> next = new ArrayList<>(lately.size() + 1);
          next.add(made);
          next.addAll(lately.subList(0, Math.min(lately.size(), KEPT - 1)));
          return List.copyOf(next);
        });
    return made;
  }

  private static HouseRules make(Style style) {
    List<BannedWord> titles = new ArrayList<>(style.banned());
    style.notInTitles().forEach(w -> titles.add(new BannedWord(w, "")));
    HouseWords words = new HouseWords(style);
    return new HouseRules(
        style,
        words,
        style.notInTitles().isEmpty() ? words : new HouseWords(style.withBanned(titles)));
  }

  /** The words that a field doesn't say. */
  public HouseWords words(Field field) {
    return field == Field.TITLE || field == Field.META_TITLE ? titleWords : words;
  }
}
