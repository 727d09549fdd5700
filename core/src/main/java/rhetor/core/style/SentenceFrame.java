package rhetor.core.style;

/** Ways of building a sentence from one to three facts. */
public enum SentenceFrame {
  /** It weighs 940 g and has a zip. */
  PLAIN,
  /** Made of canvas, it weighs 940 g. */
  PART_FIRST,
  /** It is made of canvas, with two pockets. */
  WITH_LAST,
  /** With two pockets, it is made of canvas. */
  WITH_FIRST,
  /** Weighing 940 g, it holds 20 litres. */
  DOING_FIRST,
  /** At 940 g, it holds 20 litres. */
  AT_FIRST,
  /** The pannier, which weighs 940 g, holds 20 litres. */
  WHICH,
  /** The pannier, made of canvas, weighs 940 g. */
  PART_MIDDLE,
  /** It is made of canvas, weighing 940 g. */
  DOING_LAST,
  /** It weighs 940 g; it is made of canvas. */
  SEMICOLON,
  /** It weighs 940 g. It is made of canvas. */
  TWO,
  /** Two pockets and a zip. */
  FRAGMENT,
  /** Weighs 940 g. */
  BARE,
  /** By the way, it weighs 940 g. */
  LEAD,
  /** And the weight? 940 g. */
  QUESTION,
  /** Its weight is 940 g, and it holds 20 litres. */
  ITS,
  /** You get two pockets and a zip. */
  YOU,
  /** There are two pockets. */
  THERE
}
