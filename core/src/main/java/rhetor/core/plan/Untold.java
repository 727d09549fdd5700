package rhetor.core.plan;

/**
 * Why a fact is not told in prose.
 *
 * @param words the words that are in the way, or empty
 */
public record Untold(Cause cause, String words) {

  /** What keeps a fact out of the text, and what would bring it in. */
  public enum Cause {
    /** Names, makers and kinds stand in every text anyway. */
    NAMING("It names the product.", ""),
    NO_WORDING(
        "Nobody has said yet how it is put in a sentence.",
        "Say what the column is, or type a wording for it."),
    LEFT_TO_THE_LIST(
        "The house leaves it to the list.", "Give it words again under Facts and their words."),
    OTHER_LANGUAGE("It is in another language than the text.", "Add the word to the glossary."),
    SAYS_NO("It says what the product hasn't or isn't.", ""),
    NOT_OF_ITS_KIND(
        "The value isn't what the column says it is.",
        "Put the value right, or say what the column is."),
    NO_UNIT("The amount has no unit.", "Say the column's unit."),
    TOO_LONG("It is too long for a sentence.", "Put it shorter."),
    SEVERAL_THINGS(
        "The cell holds several things that aren't of one kind.",
        "Write each of them where it belongs."),
    SIGNS("It has signs that nobody reads aloud: %s.", "Write it in words."),
    SHORTHAND("“%s” is shorthand.", "Write the word in full."),
    CODE("“%s” is a code.", "Write it in words."),
    UNKNOWN_WORD("“%s” is no word that Rhetor knows.", "Write it in full, or type a wording."),
    FITS_NO_WORDING(
        "No wording takes such a value.", "Type a wording for it, or put the value otherwise.");

    private final String why;
    private final String remedy;

    Cause(String why, String remedy) {
      this.why = why;
      this.remedy = remedy;
    }

    /** Whether a wording that somebody types would bring the fact into the text. */
    public boolean wantsWords() {
      return this == NO_WORDING || this == FITS_NO_WORDING;
    }

    /** Whether the cell put in other words could bring the fact into the text. */
    public boolean wantsCellInWords() {
      return this != NAMING && this != LEFT_TO_THE_LIST;
    }

    /** What would bring the fact into the text; empty if nothing needs to. */
    public String remedy() {
      return remedy;
    }
  }

  /** A reason without words in the way. */
  public static Untold because(Cause cause) {
    return new Untold(cause, "");
  }

  /** The reason in a sentence. */
  public String why() {
    return cause.why.formatted(words);
  }
}
