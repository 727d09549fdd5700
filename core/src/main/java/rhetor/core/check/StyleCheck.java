package rhetor.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.check.Mark.Weight;
import rhetor.core.keyword.KeywordMatch;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.style.Aspect;
import rhetor.core.style.Field;
import rhetor.core.style.HouseRules;
import rhetor.core.style.HouseWords;
import rhetor.core.style.Length;
import rhetor.core.style.Structure;
import rhetor.core.style.Style;
import rhetor.core.style.Tuning;
import rhetor.core.style.VoiceMeasure;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Checks that texts obey the house's style, whoever wrote them; says how to mend what doesn't. */
final class StyleCheck {
  /** Most words of a sentence where the house has said nothing. */
  private static final int LONG_SENTENCE = 34;

  /** Distance of voices beyond which a text is no longer the house's. */
  private static final double TOO_FAR = 1.5;

  private static final Pattern EMOJI =
      Pattern.compile("[\\p{IsEmoji_Presentation}\\x{FE0F}\\p{IsEmoji_Modifier}\\x{200D}]+ ?");

  private static final char ZERO_WIDTH_JOINER = '\u200D';

  /** The last of Unicode's general punctuation that common text has. */
  private static final char LAST_QUOTE = '\u203A';

  private static final Pattern EXCLAIMED = Pattern.compile("!+");

  private static final Pattern ADDRESSED = Pattern.compile("(?i)\\byou(?:r|rs|rself)?\\b");

  private final HouseRules rules;
  private final Style style;

  StyleCheck(HouseRules rules) {
    this.rules = rules;
    this.style = rules.style();
  }

  /** Points that an aspect of readiness gives at most. */
  int weight(Aspect aspect) {
    return style.weight(aspect);
  }

  /** Whether a sentence is one that the house always says, and answers for itself. */
  boolean isHouseSentence(String text) {
    return style.answersFor(text);
  }

  void length(Field field, String text, List<Mark> marks) {
    Length length = style.length(field);
    int characters = text.length();
    int words = length.mostWords() + length.leastWords() == 0 ? 0 : Length.words(text);
    if (length.mostCharacters() > 0 && characters > length.mostCharacters()) {
      tooLong(field, "%,d characters; at most %,d fit", characters, length.mostCharacters(), marks);
    } else if (length.mostWords() > 0 && words > length.mostWords()) {
      tooLong(field, "%,d words; at most %,d are wanted", words, length.mostWords(), marks);
    } else if (characters < length.leastCharacters()) {
      tooShort(
          field, "%d characters; at least %d are", characters, length.leastCharacters(), marks);
    } else if (words < length.leastWords()) {
      tooShort(field, "%d words; at least %d are", words, length.leastWords(), marks);
    }
  }

  private static void tooLong(Field field, String what, int has, int most, List<Mark> marks) {
    marks.add(
        new Mark(
            Weight.MUST_FIX,
            Mark.LENGTH,
            field,
            -1,
            "",
            field.label() + " has " + what.formatted(has, most) + "."));
  }

  private static void tooShort(Field field, String what, int has, int least, List<Mark> marks) {
    marks.add(
        new Mark(
            Weight.WEIGH,
            Mark.LENGTH,
            field,
            -1,
            "",
            field.label() + " has " + what.formatted(has, least) + " wanted."));
  }

  private void sentenceLength(Field field, int index, String text, List<Mark> marks) {
    int most = style.tuning().sentenceWords() == 0 ? LONG_SENTENCE : style.tuning().sentenceWords();
    int words = field == Field.TAGS || text.length() < most * 2 ? 0 : Length.words(text);
    if (words > most) {
      marks.add(
          new Mark(
              Weight.WEIGH,
              "sentence length",
              field,
              index,
              "",
              style.tuning().sentenceWords() == 0
                  ? "The sentence has " + words + " words; up to " + most + " read easily."
                  : "The sentence has " + words + " words; the house writes up to " + most + "."));
    }
  }

  /**
   * Words and signs of a sentence that the house doesn't write, and whether it is too long.
   *
   * @param words the words of the sentence
   * @param names the product's names, which stand as they are
   */
  void sentence(
      Field field, int index, String text, List<Word> words, List<String> names, List<Mark> marks) {
    if (!isHouseSentence(text)) {
      slips(field, index, text, words, names, marks);
      signs(field, index, text, marks);
    }
    if (field == Field.TITLE || field == Field.META_TITLE) {
      titleForm(field, index, text, names, marks);
    }
    sentenceLength(field, index, text, marks);
  }

  private void slips(
      Field field, int index, String text, List<Word> in, List<String> names, List<Mark> marks) {
    HouseWords words = rules.words(field);
    List<HouseWords.Slip> slips = words.slips(text, in, names);
    if (slips.isEmpty()) {
      return;
    }
    String fix = words.said(text, names);
    for (HouseWords.Slip slip : slips) {
      boolean titleOnly = !slip.spelt() && !rules.words().isUnsayable(slip.words(), List.of());
      String why =
          slip.spelt()
              ? "The house spells %s: \"%s\".".formatted(style.spelling().label(), slip.instead())
              : !slip.instead().isEmpty()
                  ? "The house doesn't say \"%s\" but \"%s\"."
                      .formatted(slip.words(), slip.instead())
                  : titleOnly && rules.words() != words
                      ? "\"%s\" never stands in the house's titles. Take it out."
                          .formatted(slip.words())
                      : "The house doesn't say \"%s\". Put it otherwise, or take it out."
                          .formatted(slip.words());
      marks.add(
          new Mark(
              slip.spelt() ? Weight.WEIGH : Weight.MUST_FIX,
              slip.spelt() ? "spelling" : "banned word",
              field,
              index,
              slip.words(),
              why,
              slip.instead().isEmpty() ? "" : fix));
    }
  }

  private void titleForm(
      Field field, int index, String text, List<String> names, List<Mark> marks) {
    String set = style.titles().set(text, names.isEmpty() ? "" : names.getFirst());
    if (!set.equals(text)) {
      marks.add(sign("title form", field, index, "", "The house sets its titles otherwise.", set));
    }
  }

  private void signs(Field field, int index, String text, List<Mark> marks) {
    if (!style.exclamations() && text.indexOf('!') >= 0) {
      Matcher m = EXCLAIMED.matcher(text);
      marks.add(
          sign("exclamation", field, index, "!", "The house doesn't call out.", m.replaceAll(".")));
    }
    if (!style.emoji() && hasSymbol(text)) {
      Matcher m = EMOJI.matcher(text);
      if (m.find()) {
        String without = m.replaceAll("").strip();
        marks.add(
            sign(
                "emoji",
                field,
                index,
                m.reset().find() ? m.group().strip() : "",
                "The house writes without emoji.",
                without));
      }
    }
    Tuning tuning = style.tuning();
    if (tuning.person() == Tuning.Person.NOBODY) {
      Matcher m = ADDRESSED.matcher(text);
      if (m.find()) {
        marks.add(
            sign("person", field, index, m.group(), "The house doesn't address the reader.", ""));
      }
    }
    if (tuning.contractions() == Tuning.Contractions.NEVER) {
      Matcher m = English.CONTRACTED.matcher(text);
      if (m.find()) {
        marks.add(
            sign(
                "contraction",
                field,
                index,
                m.group(),
                "The house writes it out.",
                English.expand(text)));
      }
    }
  }

  /** Whether there may be an emoji: all of them stand high in Unicode, above dashes and quotes. */
  private static boolean hasSymbol(String text) {
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == ZERO_WIDTH_JOINER || c > LAST_QUOTE) {
        return true;
      }
    }
    return false;
  }

  private static Mark sign(
      String check, Field field, int index, String words, String why, String fix) {
    return new Mark(Weight.WEIGH, check, field, index, words, why, fix);
  }

  /** The first word of a keyword that the house doesn't say, if there is one. */
  Optional<String> bannedIn(String keyword) {
    return rules.words().slips(keyword, List.of()).stream()
        .filter(s -> !s.spelt())
        .map(HouseWords.Slip::words)
        .findFirst();
  }

  /** Whether the description sounds as the texts do that the house likes. */
  void voice(Draft draft, List<Mark> marks) {
    VoiceMeasure sample = style.sample();
    if (!sample.suffices()) {
      return;
    }
    VoiceMeasure measure = VoiceMeasure.of(List.of(draft.prose()));
    if (measure.suffices() && measure.distance(sample) > TOO_FAR) {
      marks.add(
          new Mark(
              Weight.WEIGH,
              "voice",
              Field.DESCRIPTION,
              -1,
              "",
              "It doesn't sound like the texts that the house likes: "
                  + measure.farthest(sample)
                  + "."));
    }
  }

  /** Whether the description is set out as the house wants it. */
  void structure(Draft draft, List<Mark> marks) {
    Structure structure = style.structure();
    if (structure.specification() && structure.paragraphSentences() == 0) {
      return;
    }
    int index = 0;
    for (Block block : draft.blocks(Field.DESCRIPTION)) {
      String why = "";
      if (block.kind() == Block.Kind.LIST && !structure.specification()) {
        why = "Descriptions of the house have no list of facts; this one does. Leave it out.";
      } else if (block.kind() == Block.Kind.PARAGRAPH
          && !structure.allows(block.sentences().size())) {
        why =
            "This paragraph has %s; the house wants %s at most. Part it."
                .formatted(
                    Structure.sentences(block.sentences().size()),
                    Structure.sentences(structure.paragraphSentences()));
      }
      if (!why.isEmpty()) {
        marks.add(new Mark(Weight.WEIGH, "structure", Field.DESCRIPTION, index, "", why));
      }
      index += block.sentences().size();
    }
  }

  /** What every description has to have. */
  void required(Draft draft, List<Mark> marks) {
    if (style.required().isEmpty()
        && style.supporting().isEmpty()
        && style.ownSentences().isEmpty()) {
      return;
    }
    String description = draft.plain(Field.DESCRIPTION);
    if (description.isBlank()) {
      return;
    }
    for (String sentence : style.always()) {
      if (!description.contains(sentence)) {
        marks.add(
            new Mark(
                Weight.MUST_FIX,
                "house sentence",
                Field.DESCRIPTION,
                -1,
                sentence,
                "Every description of the house says: \"" + sentence + "\" This one doesn't.",
                sentence));
      }
    }
    for (String line : style.angles()) {
      if (!description.contains(line)) {
        marks.add(
            new Mark(
                Weight.WEIGH,
                "angle",
                Field.DESCRIPTION,
                -1,
                line,
                "For now the house says: \"" + line + "\" This text doesn't.",
                line));
      }
    }
    for (String keyword : style.supporting()) {
      if (KeywordMatch.find(keyword, description).form() == KeywordMatch.Form.MISSING) {
        marks.add(
            new Mark(
                Weight.WEIGH,
                "supporting keyword",
                Field.DESCRIPTION,
                -1,
                keyword,
                "The description doesn't have the supporting keyword \"%s\", in no form."
                    .formatted(keyword)));
      }
    }
    List<String> stems = stems(description);
    for (String word : style.required()) {
      if (java.util.Collections.indexOfSubList(stems, stems(word)) < 0) {
        marks.add(
            new Mark(
                Weight.WEIGH,
                "required word",
                Field.DESCRIPTION,
                -1,
                word,
                "The house wants \"" + word + "\" in every description."));
      }
    }
  }

  /** A sentence that the house answered for and no longer says: its angle has ended. */
  void over(Field field, int index, Sentence sentence, List<Mark> marks) {
    if (sentence.restsOn(Support.Kind.HOUSE) && !isHouseSentence(sentence.text())) {
      marks.add(
          new Mark(
              Weight.MUST_FIX,
              Mark.OVER,
              field,
              index,
              "",
              "The house no longer says this: its time is over, or it was taken out of the style. Leave it out."));
    }
  }

  private static List<String> stems(String text) {
    List<String> stems = new ArrayList<>();
    Words.of(text).forEach(w -> stems.add(English.stem(w.text())));
    return stems;
  }
}
