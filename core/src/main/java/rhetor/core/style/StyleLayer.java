package rhetor.core.style;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a part of the house decides otherwise: a range, a channel, a language, a template. Only what
 * it names counts; the rest is as the layers under it have it. Single settings take the place of
 * those below; words and sentences come on top of them.
 *
 * @param voice id of a voice; empty to leave it
 * @param audience whom it is for; empty to leave it
 * @param banned further words; one that is banned below too has the replacement given here
 * @param lengths limits that take the place of those below, field by field
 */
public record StyleLayer(
    String voice,
    Optional<Tuning> tuning,
    String audience,
    List<BannedWord> banned,
    List<String> required,
    List<String> supporting,
    List<String> notInTitles,
    List<String> always,
    List<String> special,
    Optional<Spelling> spelling,
    Optional<Boolean> emoji,
    Optional<Boolean> exclamations,
    Optional<TitleForm> titles,
    Optional<Structure> structure,
    Map<Field, Length> lengths,
    List<String> instructions) {

  /** Settings whose words come on top of those below instead of taking their place. */
  static final Set<String> ADDING =
      Set.of(
          "banned", "required", "supporting", "notInTitles", "always", "special", "instructions");

  /** Decides nothing. */
  public static final StyleLayer NOTHING =
      new StyleLayer(
          "", null, "", null, null, null, null, null, null, null, null, null, null, null, null,
          null);

  public StyleLayer {
    voice = voice == null ? "" : voice.strip();
    tuning = tuning == null ? Optional.empty() : tuning;
    audience = audience == null ? "" : audience.strip();
    banned = banned == null ? List.of() : List.copyOf(banned);
    required = Style.words(required);
    supporting = Style.words(supporting);
    notInTitles = Style.words(notInTitles);
    always = Style.words(always);
    special = Style.words(special);
    titles = titles == null ? Optional.empty() : titles;
    structure = structure == null ? Optional.empty() : structure;
    spelling = spelling == null ? Optional.empty() : spelling;
    emoji = emoji == null ? Optional.empty() : emoji;
    exclamations = exclamations == null ? Optional.empty() : exclamations;
    lengths = lengths == null || lengths.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(lengths));
    instructions = Style.words(instructions);
  }

  /** A layer that decides nothing but words that one product's texts should have. */
  public static StyleLayer ofWords(List<String> supporting, List<String> required) {
    return new StyleLayer(
        "",
        null,
        "",
        null,
        required,
        supporting,
        null,
        null,
        null,
        null,
        null,
        null,
        null,
        null,
        null,
        null);
  }

  /** A layer that decides nothing but which English is written. */
  public static StyleLayer ofSpelling(Spelling spelling) {
    return new StyleLayer(
        "",
        null,
        "",
        null,
        null,
        null,
        null,
        null,
        null,
        Optional.of(spelling),
        null,
        null,
        null,
        null,
        null,
        null);
  }

  /** The style below with what this layer decides. */
  public Style over(Style below) {
    return below.with(
        p -> {
          p.voice = voice.isEmpty() ? p.voice : voice;
          p.tuning = tuning.orElse(p.tuning);
          p.audience = audience.isEmpty() ? p.audience : audience;
          p.banned = banned(p.banned);
          p.required = both(p.required, required);
          p.supporting = both(p.supporting, supporting);
          p.notInTitles = both(p.notInTitles, notInTitles);
          p.always = both(p.always, always);
          p.special = both(p.special, special);
          p.titles = titles.orElse(p.titles);
          p.structure = structure.orElse(p.structure);
          p.spelling = spelling.orElse(p.spelling);
          p.emoji = emoji.orElse(p.emoji);
          p.exclamations = exclamations.orElse(p.exclamations);
          p.lengths = lengths(p.lengths);
          p.instructions = both(p.instructions, instructions);
        });
  }

  private List<BannedWord> banned(List<BannedWord> below) {
    Map<String, BannedWord> byWord = new LinkedHashMap<>();
    below.forEach(b -> byWord.put(b.word().toLowerCase(Locale.ROOT), b));
    banned.forEach(b -> byWord.put(b.word().toLowerCase(Locale.ROOT), b));
    return List.copyOf(byWord.values());
  }

  private static List<String> both(List<String> below, List<String> here) {
    List<String> both = new ArrayList<>(below);
    both.addAll(here);
    return both;
  }

  private Map<Field, Length> lengths(Map<Field, Length> below) {
    Map<Field, Length> all = new EnumMap<>(Field.class);
    all.putAll(below);
    all.putAll(lengths);
    return all;
  }

  /**
   * What this layer allows that the style below doesn't, in words: who may not decide for the house
   * may ask more of texts, never less.
   */
  public List<String> looserThan(Style below) {
    Style above = over(below);
    List<String> looser = new ArrayList<>();
    note(looser, "emoji", above.emoji() && !below.emoji());
    note(looser, "exclamation marks", above.exclamations() && !below.exclamations());
    note(looser, "another spelling", above.spelling() != below.spelling());
    note(looser, "other titles", !above.titles().equals(below.titles()));
    note(
        looser,
        "longer paragraphs",
        isMore(above.structure().paragraphSentences(), below.structure().paragraphSentences()));
    for (Field field : Field.values()) {
      Length here = above.length(field);
      Length there = below.length(field);
      boolean loose =
          isMore(here.mostCharacters(), there.mostCharacters())
              || isMore(here.mostWords(), there.mostWords())
              || here.leastCharacters() < there.leastCharacters()
              || here.leastWords() < there.leastWords();
      note(looser, "another length of the " + field.label().toLowerCase(Locale.ROOT), loose);
    }
    return looser;
  }

  /** Whether a limit is above another one; 0 is no limit. */
  private static boolean isMore(int here, int there) {
    return there > 0 && (here == 0 || here > there);
  }

  /** The names of the settings that it decides, as in {@link Style}; lengths by field. */
  public List<String> decided() {
    List<String> decided = new ArrayList<>();
    note(decided, "voice", !voice.isEmpty());
    note(decided, "tuning", tuning.isPresent());
    note(decided, "audience", !audience.isEmpty());
    noteAny(decided, "banned", banned);
    noteAny(decided, "required", required);
    noteAny(decided, "supporting", supporting);
    noteAny(decided, "notInTitles", notInTitles);
    noteAny(decided, "always", always);
    noteAny(decided, "special", special);
    note(decided, "titles", titles.isPresent());
    note(decided, "structure", structure.isPresent());
    note(decided, "spelling", spelling.isPresent());
    note(decided, "emoji", emoji.isPresent());
    note(decided, "exclamations", exclamations.isPresent());
    for (Field field : Field.values()) {
      note(decided, "lengths." + field.code(), lengths.containsKey(field));
    }
    noteAny(decided, "instructions", instructions);
    return decided;
  }

  private static void note(List<String> decided, String setting, boolean here) {
    if (here) {
      decided.add(setting);
    }
  }

  private static void noteAny(List<String> decided, String setting, Collection<?> entries) {
    note(decided, setting, !entries.isEmpty());
  }
}
