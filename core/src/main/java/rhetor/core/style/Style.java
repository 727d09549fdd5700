package rhetor.core.style;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/**
 * What a house decides once and every text obeys.
 *
 * @param voice id of the voice that texts are written in if nobody chooses another
 * @param tuning how the house bends voices
 * @param audience whom the house writes for, in plain words; empty if nobody has said
 * @param banned words that no text has
 * @param required words of which each description has all
 * @param supporting keywords beside the primary one that a description should have
 * @param notInTitles words that no title has
 * @param always sentences that every description ends with, in the house's own words
 * @param special sentences about what is special about the house; each description has one of them
 * @param angles lines of the angles that hold now, which each description has
 * @param spelling which English
 * @param emoji whether texts may have emoji
 * @param exclamations whether texts may have exclamation marks
 * @param titles how titles are set
 * @param structure how descriptions are set out
 * @param lengths the house's own limits, by field; the usual ones hold for the others
 * @param instructions what is asked for in words that don't become rules; for text models only
 * @param weights points of a hundred that each aspect of readiness gives at most; empty for the
 *     usual ones
 * @param sample how the texts sound that the house likes; not telling if it has shown none
 */
public record Style(
    String voice,
    Tuning tuning,
    String audience,
    List<BannedWord> banned,
    List<String> required,
    List<String> supporting,
    List<String> notInTitles,
    List<String> always,
    List<String> special,
    List<String> angles,
    Spelling spelling,
    boolean emoji,
    boolean exclamations,
    TitleForm titles,
    Structure structure,
    Map<Field, Length> lengths,
    List<String> instructions,
    Map<Aspect, Integer> weights,
    VoiceMeasure sample) {

  private static final Style STANDARD =
      new Style(
          "plain",
          Tuning.NONE,
          "",
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          Spelling.BRITISH,
          false,
          false,
          TitleForm.USUAL,
          Structure.USUAL,
          Map.of(),
          List.of(),
          Map.of(),
          VoiceMeasure.NONE);

  public Style {
    voice = voice == null || voice.isBlank() ? "plain" : voice;
    tuning = tuning == null ? Tuning.NONE : tuning;
    audience = audience == null ? "" : audience.strip();
    banned = banned == null ? List.of() : List.copyOf(banned);
    required = words(required);
    supporting = words(supporting);
    notInTitles = words(notInTitles);
    always = words(always);
    special = words(special);
    angles = words(angles);
    titles = titles == null ? TitleForm.USUAL : titles;
    structure = structure == null ? Structure.USUAL : structure;
    spelling = spelling == null ? Spelling.BRITISH : spelling;
    instructions = words(instructions);
    weights = weights == null || weights.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(weights));
    sample = sample == null ? VoiceMeasure.NONE : sample;
    lengths = lengths == null || lengths.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(lengths));
  }

  static List<String> words(List<String> list) {
    return list == null
        ? List.of()
        : list.stream().map(String::strip).filter(w -> !w.isEmpty()).distinct().toList();
  }

  /** The style of a house that has decided nothing. */
  public static Style standard() {
    return STANDARD;
  }

  /** Points of a hundred that an aspect of readiness gives at most. */
  public int weight(Aspect aspect) {
    return weights.isEmpty() ? aspect.usual() : weights.getOrDefault(aspect, 0);
  }

  /** How long a field may be: as the house says, else as is usual. */
  public Length length(Field field) {
    Length own = lengths.get(field);
    if (own == null) {
      return Length.ofCharacters(field.least(), field.most());
    }
    return new Length(
        own.leastCharacters(),
        own.mostCharacters() == 0 ? field.most() : own.mostCharacters(),
        own.leastWords(),
        own.mostWords());
  }

  /** The same style with another length of a field. */
  public Style with(Field field, Length length) {
    Map<Field, Length> others = new EnumMap<>(Field.class);
    others.putAll(lengths);
    others.put(field, length);
    return with(p -> p.lengths = others);
  }

  /** Whether a field's text isn't too long. */
  public boolean fits(Field field, String text) {
    return length(field).fits(text);
  }

  /** A voice as this house has it. */
  public Voice bend(Voice voice) {
    return tuning.bend(voice);
  }

  /** The voice that texts are written in if nobody chooses another, as this house has it. */
  public Voice ownVoice() {
    return bend(Voices.find(voice).orElseGet(Voices::plain));
  }

  /** The same style with other words that no text has. */
  public Style withBanned(List<BannedWord> other) {
    return with(p -> p.banned = other);
  }

  /** The same style with the lines of other angles. */
  public Style withAngles(List<String> other) {
    return with(p -> p.angles = other);
  }

  /** The sentences that the house answers for: what it always says, and what it says for now. */
  public List<String> ownSentences() {
    if (angles.isEmpty()) {
      return always;
    }
    List<String> own = new ArrayList<>(angles);
    own.addAll(always);
    return own;
  }

  /** Whether the house answers for a sentence, whatever the facts say. */
  public boolean answersFor(String sentence) {
    return always.contains(sentence) || angles.contains(sentence) || special.contains(sentence);
  }

  /** The same style with some parts changed. */
  Style with(Consumer<Parts> change) {
    Parts parts = new Parts(this);
    change.accept(parts);
    return parts.style();
  }

  /** A style's parts while they are changed. */
  static final class Parts {
    String voice;
    Tuning tuning;
    String audience;
    List<BannedWord> banned;
    List<String> required;
    List<String> supporting;
    List<String> notInTitles;
    List<String> always;
    List<String> special;
    List<String> angles;
    Spelling spelling;
    boolean emoji;
    boolean exclamations;
    TitleForm titles;
    Structure structure;
    Map<Field, Length> lengths;
    List<String> instructions;
    Map<Aspect, Integer> weights;
    VoiceMeasure sample;

    private Parts(Style style) {
      voice = style.voice;
      tuning = style.tuning;
      audience = style.audience;
      banned = style.banned;
      required = style.required;
      supporting = style.supporting;
      notInTitles = style.notInTitles;
      always = style.always;
      special = style.special;
      angles = style.angles;
      spelling = style.spelling;
      emoji = style.emoji;
      exclamations = style.exclamations;
      titles = style.titles;
      structure = style.structure;
      lengths = style.lengths;
      instructions = style.instructions;
      weights = style.weights;
      sample = style.sample;
    }

    private Style style() {
      return new Style(
          voice,
          tuning,
          audience,
          banned,
          required,
          supporting,
          notInTitles,
          always,
          special,
          angles,
          spelling,
          emoji,
          exclamations,
          titles,
          structure,
          lengths,
          instructions,
          weights,
          sample);
    }
  }
}
