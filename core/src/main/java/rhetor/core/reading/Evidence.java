package rhetor.core.reading;

/** A kind of evidence for what a column is, with what a person is told where it decided. */
enum Evidence {
  // How likely it is beforehand.
  ANY_SKU,
  ANY_NAME,
  ANY_PROSE,
  ANY_KEYWORD,
  ANY_PICTURE,
  ANY_PRIVATE,
  ANY_CONCEPT,

  // The heading's words.
  SAYS("The heading says so."),
  SAYS_ROLE("The heading says so."),
  SAYS_TEXT("The heading says so."),
  SAYS_PRIVATE("The heading says so."),
  SAYS_WITHOUT_FILLING("The heading says so."),
  SHORT_FOR("The heading is short for it."),
  CUT_OFF("The heading is cut off and may be it."),
  BEGINS_WITH("The heading begins with it."),
  ENDS_WITH("The heading ends with it."),
  NEARLY("The heading is nearly that."),
  SAYS_IN_WORDS,
  SAYS_UNHEARD,
  PLAIN_SHEET,
  BORNE_OUT,
  BESIDE_SIDES("Other sides stand beside it."),
  LETTER_OF_SIDE("Letters of other sides stand beside it."),
  SAYS_OTHERS_TOO,
  VAGUE,
  VAGUE_ROLE,
  LATE_RANK,
  UNIT_ALONE("The heading is nothing but a unit of it."),
  UNIT_TELLS("The heading has a unit of it."),
  ONE_OF_ITS_DIMENSION,
  OTHER_LANGUAGE,

  // What columns under such a heading were before.
  WAS_BEFORE("Columns under such a heading were that before."),
  WAS_ELSE_BEFORE,
  ENDS_AS_BEFORE("Columns under headings that end alike were that before."),
  ENDS_ELSE_BEFORE,
  LIKE_BEFORE("Columns whose headings mean about the same were that before."),
  UNLIKE_PRIVATE_BEFORE,

  // Its meaning.
  NEAR("The heading means about that."),
  NEAREST,
  NEAR_ROLE("The heading means about that."),

  // The cells and a concept.
  MEASURED("The cells measure that."),
  MEASURED_OTHERWISE,
  BARE_NUMBERS,
  NOT_READ,
  KNOWN_WORDS("The cells are words for it."),
  WORDS_OF_IT_ALONE("The cells are words for it."),
  UNKNOWN_WORDS,
  KINDS("The cells name kinds of things."),
  HYPERNYMS("The cells are kinds of it."),
  KINDS_OF_IT_ALONE("The cells are kinds of it."),
  MAKERS("The cells are makers' names, the same in many rows."),
  SIDES("The cells are sides of a thing."),
  RATED("The cells are such ratings."),
  NO_HYPERNYMS,
  ANSWERS("The cells are yes or no."),
  ANSWERS_OTHERWISE,
  NUMBERS_AS_WORDS,

  // The products.
  OF_THESE_THINGS("Such products have it."),
  OF_UNKNOWN_THINGS,

  // The cells and a role.
  LIKE_CODES("The cells are codes, another in each row."),
  LIKE_NAMES("The cells read like names, another in each row."),
  NAMES_REPEAT,
  PROPER("The cells are proper names, unlike the words of other columns."),
  FIRST,
  FRONT,
  THING("The heading is a thing's name."),
  NAMES_THINGS("The cells end in nouns for things, another in each row."),
  TEXT_WORD("The heading is about a text."),
  LONG("The cells are long."),
  SENTENCES("The cells are sentences."),
  LISTED,
  NUMBERED,
  SEARCH_WORD("The heading is about searches."),
  PHRASES("The cells are phrases in small letters."),
  PICTURES("The cells are addresses or file names of pictures."),
  TRADE_WORD("A word in the heading may mean that it is for the house alone."),
  REMARK_WORD("A word in the heading may mean that it is for the house alone."),
  MONEY("The heading names a currency."),
  PRICES("The cells are prices."),
  CENTS("The cells are like sums of money."),
  GTINS("The cells are GTINs with right check digits."),
  ADDRESSES("The cells are addresses or file names."),
  CODES("The cells are codes."),
  LONG_CODES("The cells are long codes."),
  CODE_OF("The heading says that they are codes of something."),
  PACKING("The heading is about packing for the trade."),
  COUNTS("The cells are bare whole numbers."),
  REMARKS("The cells are remarks."),
  LATE,
  BESIDE_TRADE("It stands beside columns that are for the house alone."),
  AFTER_TRADE("It stands behind columns that are for the house alone."),
  SPARSE,
  PERCENT,

  // What a column that is for the house alone rarely is.
  ANY_UNIT,
  LIKE_A_PROPERTY,
  REPEATS,
  ANY_ANSWERS,
  GTINS_AS_CODES,
  NUMBERS_AS_PHRASES;

  private final String reason;

  Evidence() {
    this("");
  }

  Evidence(String reason) {
    this.reason = reason;
  }

  /** What a person is told; empty where it explains nothing by itself. */
  String reason() {
    return reason;
  }
}
