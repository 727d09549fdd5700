package rhetor.core.style;

import java.util.ArrayList;
import java.util.List;

/**
 * A style made ready for use on many texts.
 *
 * @param words what no text says
 * @param titleWords what no title says
 */
public record HouseRules(Style style, HouseWords words, HouseWords titleWords) {
  private static final HouseRules STANDARD = make(Style.standard());

  /** The rules of a style; worth keeping where several texts follow. */
  public static HouseRules of(Style style) {
    return style.equals(Style.standard()) ? STANDARD : make(style);
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
