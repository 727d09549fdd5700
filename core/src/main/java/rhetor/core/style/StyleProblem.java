package rhetor.core.style;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import rhetor.core.language.English;
import rhetor.core.language.Words;

/**
 * Why a style can't be obeyed.
 *
 * @param where which setting, such as {@code banned} or {@code lengths.title}
 * @param words the words it is about, or empty
 * @param why what is wrong and what to do
 */
public record StyleProblem(String where, String words, String why) {
  /** Most words that a house may ban. */
  public static final int MOST_BANNED = 5_000;

  private static final int MOST_LISTED = 200;

  /** Keywords beside the primary one: a page that is to be found by more is found by none. */
  public static final int MOST_SUPPORTING = 4;

  private static final int LONGEST_WORD = 60;
  private static final int LONGEST_SENTENCE = 300;
  private static final int LONGEST_AUDIENCE = 500;
  private static final int LONGEST_TEXT = 20_000;

  /** All problems of a style; none if every text can obey it. */
  public static List<StyleProblem> of(Style style) {
    List<StyleProblem> problems = new ArrayList<>();
    if (Voices.find(style.voice()).isEmpty()) {
      problems.add(
          new StyleProblem(
              "voice",
              style.voice(),
              "There is no voice called \"%s\"; there are %s."
                  .formatted(
                      style.voice(),
                      Voices.all().stream().map(Voice::id).collect(Collectors.joining(", ")))));
    }
    tuning(style.tuning(), problems);
    tooMany("banned", style.banned().size(), MOST_BANNED, problems);
    tooMany("required", style.required().size(), MOST_LISTED, problems);
    if (!style.structure().isPossible()) {
      problems.add(
          new StyleProblem(
              "structure",
              "",
              "Paragraphs have 1 to %d sentences, and headings a level from %d to %d."
                  .formatted(Structure.MOST_SENTENCES, Structure.HIGHEST, Structure.LOWEST)));
    }
    tooMany("supporting", style.supporting().size(), MOST_SUPPORTING, problems);
    tooMany("notInTitles", style.notInTitles().size(), MOST_LISTED, problems);
    tooMany("always", style.always().size(), MOST_LISTED, problems);
    tooMany("special", style.special().size(), MOST_LISTED, problems);
    tooMany("instructions", style.instructions().size(), MOST_LISTED, problems);
    weights(style, problems);
    if (style.audience().length() > LONGEST_AUDIENCE) {
      problems.add(
          new StyleProblem(
              "audience", "", "The audience takes up to " + LONGEST_AUDIENCE + " characters."));
    }
    if (problems.isEmpty()) {
      words(style, problems);
      lengths(style, problems);
      room(style, problems);
    }
    return problems;
  }

  private static void weights(Style style, List<StyleProblem> problems) {
    int sum = style.weights().values().stream().mapToInt(Integer::intValue).sum();
    boolean negative = style.weights().values().stream().anyMatch(w -> w < 0);
    if (!style.weights().isEmpty() && (sum != 100 || negative)) {
      problems.add(
          new StyleProblem(
              "weights",
              "",
              negative
                  ? "A weight is 0 to 100 points."
                  : "The weights make %d points together; they have to make 100.".formatted(sum)));
    }
  }

  private static void tuning(Tuning tuning, List<StyleProblem> problems) {
    Map<String, Integer> dials =
        Map.of(
            "formality", tuning.formality(), "warmth", tuning.warmth(), "energy", tuning.energy());
    dials.forEach(
        (dial, at) -> {
          if (Math.abs(at) > Tuning.FAR) {
            problems.add(
                new StyleProblem(
                    "tuning." + dial,
                    "",
                    "%s goes from -%d to %d, not to %d."
                        .formatted(English.capitalise(dial), Tuning.FAR, Tuning.FAR, at)));
          }
        });
    int words = tuning.sentenceWords();
    if (words != 0 && (words < Tuning.SHORTEST_SENTENCE || words > 60)) {
      problems.add(
          new StyleProblem(
              "tuning.sentenceWords",
              "",
              "A sentence needs room for %d to 60 words; %d is none of them."
                  .formatted(Tuning.SHORTEST_SENTENCE, words)));
    }
  }

  private static void tooMany(String where, int number, int most, List<StyleProblem> problems) {
    if (number > most) {
      problems.add(
          new StyleProblem(
              where, "", "There are %,d entries; up to %,d are kept.".formatted(number, most)));
    }
  }

  private static void words(Style style, List<StyleProblem> problems) {
    Set<String> seen = new HashSet<>();
    for (BannedWord banned : style.banned()) {
      if (Words.of(banned.word()).isEmpty()) {
        problems.add(
            new StyleProblem("banned", banned.word(), "A banned word needs at least a letter."));
      } else if (banned.word().length() > LONGEST_WORD
          || banned.instead().length() > LONGEST_WORD) {
        problems.add(
            new StyleProblem(
                "banned",
                banned.word(),
                "A banned word and what stands instead take up to "
                    + LONGEST_WORD
                    + " characters each."));
      } else if (!seen.add(banned.word().toLowerCase(Locale.ROOT))) {
        problems.add(
            new StyleProblem(
                "banned", banned.word(), "\"%s\" is banned twice.".formatted(banned.word())));
      }
    }
    HouseWords all = new HouseWords(style);
    for (BannedWord banned : style.banned()) {
      all.slips(banned.instead(), List.of()).stream()
          .filter(s -> !s.spelt())
          .findFirst()
          .ifPresent(
              s ->
                  problems.add(
                      new StyleProblem(
                          "banned",
                          banned.word(),
                          "\"%s\" is to stand for \"%s\", but \"%s\" is banned too."
                              .formatted(banned.instead(), banned.word(), s.words()))));
    }
    Map<String, List<String>> wanted = new HashMap<>();
    wanted.put("required", style.required());
    wanted.put("supporting", style.supporting());
    wanted.put("always", style.always());
    wanted.put("special", style.special());
    wanted.forEach(
        (where, list) ->
            list.forEach(
                words ->
                    all.slips(words, List.of()).stream()
                        .filter(s -> !s.spelt())
                        .findFirst()
                        .ifPresent(
                            s ->
                                problems.add(
                                    new StyleProblem(
                                        where,
                                        words,
                                        "\"%s\" is wanted in every description, and \"%s\" is banned. Take one of the two out."
                                            .formatted(words, s.words()))))));
    sentences("always", style.always(), problems);
    sentences("special", style.special(), problems);
  }

  private static void sentences(String where, List<String> sentences, List<StyleProblem> problems) {
    for (String sentence : sentences) {
      if (sentence.length() > LONGEST_SENTENCE || !sentence.matches("(?s).*[.!?]")) {
        problems.add(
            new StyleProblem(
                where,
                sentence,
                "What descriptions say in the house's words is a sentence of up to %d characters that ends with a full stop."
                    .formatted(LONGEST_SENTENCE)));
      }
    }
  }

  private static void lengths(Style style, List<StyleProblem> problems) {
    style
        .lengths()
        .forEach(
            (field, length) -> {
              String where = "lengths." + field.code();
              int[] all = {
                length.leastCharacters(),
                length.mostCharacters(),
                length.leastWords(),
                length.mostWords()
              };
              for (int n : all) {
                if (n < 0 || n > LONGEST_TEXT) {
                  problems.add(
                      new StyleProblem(
                          where,
                          "",
                          "%s: a length is 0 (none) to %,d, not %,d."
                              .formatted(field.label(), LONGEST_TEXT, n)));
                }
              }
              Length whole = style.length(field);
              over(
                  field,
                  where,
                  whole.leastCharacters(),
                  whole.mostCharacters(),
                  "characters",
                  problems);
              over(field, where, whole.leastWords(), whole.mostWords(), "words", problems);
              if (whole.mostWords() > 0 && whole.mostWords() * 12 < whole.leastCharacters()) {
                problems.add(
                    new StyleProblem(
                        where,
                        "",
                        "%s can't have %d characters in %d words."
                            .formatted(field.label(), whole.leastCharacters(), whole.mostWords())));
              }
            });
  }

  /** What every description ends with has to leave room for the description. */
  private static void room(Style style, List<StyleProblem> problems) {
    Length most = style.length(Field.DESCRIPTION);
    String longest =
        style.special().stream().max(Comparator.comparingInt(String::length)).orElse("");
    String own = String.join(" ", style.ownSentences()) + " " + longest;
    boolean characters = most.mostCharacters() > 0 && own.length() * 2 > most.mostCharacters();
    boolean words = most.mostWords() > 0 && Length.words(own) * 2 > most.mostWords();
    if (characters || words) {
      problems.add(
          new StyleProblem(
              "always",
              "",
              words
                  ? "What every description ends with has %,d words, more than half of the %,d that one may have. Shorten it, or let descriptions be longer."
                      .formatted(Length.words(own), most.mostWords())
                  : "What every description ends with has %,d characters, more than half of the %,d that one may have. Shorten it, or let descriptions be longer."
                      .formatted(own.length(), most.mostCharacters())));
    }
  }

  private static void over(
      Field field, String where, int least, int most, String unit, List<StyleProblem> problems) {
    if (most > 0 && least > most) {
      problems.add(
          new StyleProblem(
              where,
              "",
              "%s is to have at least %,d %s and at most %,d. Raise the most or lower the least."
                  .formatted(field.label(), least, unit, most)));
    }
  }
}
