package rhetor.core.style;

/** Ways of saying first what a product is. */
public enum OpeningFrame {
  /** The Roll Pannier 20 is a black pannier, made of canvas. */
  IS_PART,
  /** Made of canvas, the Roll Pannier 20 is a black pannier. */
  PART_FIRST,
  /** The Roll Pannier 20, made of canvas, is a black pannier. */
  PART_MIDDLE,
  /** A black pannier, the Roll Pannier 20 weighs 940 g. */
  KIND_FIRST,
  /** The Roll Pannier 20 is a black pannier with two pockets. */
  IS_WITH,
  /** With two pockets, the Roll Pannier 20 is a black pannier. */
  WITH_FIRST,
  /** The Roll Pannier 20 is a black pannier that weighs 940 g. */
  IS_THAT,
  /** The Roll Pannier 20, a black pannier, weighs 940 g. */
  APPOSED,
  /** The Roll Pannier 20: a black pannier, made of canvas. */
  COLON,
  /** A black pannier, made of canvas: the Roll Pannier 20. */
  HERE,
  /** 940 g and two pockets: the Roll Pannier 20 is a black pannier. */
  FIGURES,
  /** What is the Roll Pannier 20? A black pannier, made of canvas. */
  ASKED,
  /** Tolvane's Roll Pannier 20 is a black pannier. */
  MAKER,
  /** From Tolvane comes the Roll Pannier 20, a black pannier that weighs 940 g. */
  FROM,
  /** With the Roll Pannier 20 you get a black pannier that weighs 940 g. */
  YOU,
  /** Weighing 940 g, the Roll Pannier 20 is a black pannier. */
  DOING_FIRST,
  /** At 940 g, the Roll Pannier 20 is a black pannier. */
  AT_FIRST,
  /** The Roll Pannier 20 weighs 940 g. It is a black pannier. */
  FACT_FIRST
}
