package rhetor.core.say.en;

/**
 * What an editor would send a sentence back for, whoever wrote it.
 *
 * @param kind what is wrong
 * @param words the words that it is about
 */
public record Fault(Kind kind, String words) {

  /** What can be wrong with a sentence's language. */
  public enum Kind {
    PLACEHOLDER("“%s” is left over from a template. Put the words in, or take it out.", true),
    ANSWER("“%s” is a cell's answer and no word of a sentence. Say what it means.", true),
    HEADING("“%s” has a sheet's heading as a noun. Put it as a shopper would.", true),
    NOT_ITS_NAME("“%s” isn't what this product is called.", true),
    NO_THING("“%s” doesn't name what is sold. Name the thing.", true),
    CODE("“%s” is a code. Say it in words, or leave it to the list.", true),
    SHORTHAND("“%s” is shorthand. Write it in full.", true),
    SIGN("“%s” can't be read aloud. Write it in words.", true),
    UNLIKE_LIST("“%s” lists things that aren't of one kind. Say them apart.", true),
    DOUBLED("“%s” says a word twice. Take one out.", true),
    ARTICLE("“%s” has the wrong article.", false),
    SMALL_START("“%s” begins a sentence with a small letter.", false),
    OTHER_LANGUAGE("“%s” is in another language. Translate it.", true);

    private final String why;
    private final boolean mustFix;

    Kind(String why, boolean mustFix) {
      this.why = why;
      this.mustFix = mustFix;
    }

    /** Whether a text can't go out with it. */
    public boolean mustFix() {
      return mustFix;
    }
  }

  /** What is wrong and what to do, in a sentence or two. */
  public String why() {
    return kind.why.formatted(words);
  }
}
