package rhetor.core.style;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/**
 * A style that comes near texts which the house likes.
 *
 * @param measure how those texts sound
 * @param evidence why each setting is so
 */
public record VoiceProposal(
    VoiceMeasure measure, Style style, List<VoiceProposal.Evidence> evidence) {

  /**
   * A setting that the figures speak for.
   *
   * @param setting which, such as {@code contractions}
   * @param evidence what was seen, and what follows from it
   */
  public record Evidence(String setting, String evidence) {}

  /**
   * The voice and tuning that come nearest to these texts.
   *
   * @param texts what the house likes, measured
   * @param voices how the voices measure, by their ids, on texts of the house
   * @param style the style whose voice is proposed anew; its other parts stay
   */
  public static VoiceProposal of(
      VoiceMeasure texts, Map<String, VoiceMeasure> voices, Style style) {
    List<Evidence> evidence = new ArrayList<>();
    String nearest =
        voices.entrySet().stream()
            .min(Comparator.comparingDouble(e -> texts.distance(e.getValue())))
            .map(Map.Entry::getKey)
            .orElse(style.voice());
    VoiceMeasure voice = voices.getOrDefault(nearest, texts);
    evidence.add(
        new Evidence(
            "voice",
            "Of the six voices, %s is nearest: %.1f words a sentence to your %.1f, formality %.0f to your %.0f."
                .formatted(
                    nearest,
                    voice.sentenceWords(),
                    texts.sentenceWords(),
                    voice.formality(),
                    texts.formality())));
    int most = (int) Math.round(texts.sentenceWords() + 1.5 * texts.spread());
    int sentence = Math.clamp(most, Tuning.SHORTEST_SENTENCE, 34);
    evidence.add(
        new Evidence(
            "sentenceWords",
            "Your sentences have %.1f words, give or take %.1f: up to %d from now on."
                .formatted(texts.sentenceWords(), texts.spread(), sentence)));
    Tuning.Contractions contracted =
        texts.contractions() >= 0.5
            ? Tuning.Contractions.ALWAYS
            : texts.contractions() <= 0.1
                ? Tuning.Contractions.NEVER
                : Tuning.Contractions.AS_THE_VOICE;
    evidence.add(
        new Evidence(
            "contractions",
            "Verbs are contracted in %.0f of 100 places where they could be."
                .formatted(texts.contractions() * 100)));
    Tuning.Person person =
        texts.address() >= 0.8
            ? Tuning.Person.YOU
            : texts.address() < 0.1 ? Tuning.Person.NOBODY : Tuning.Person.AS_THE_VOICE;
    evidence.add(
        new Evidence(
            "person",
            "The reader is addressed %.1f times in 100 words.".formatted(texts.address())));
    int formal = dial(texts.formality() - voice.formality(), 4);
    evidence.add(
        new Evidence(
            "formality",
            "Formality is %.0f (%.0f is as the voice has it); Flesch’s reading ease is %.0f."
                .formatted(texts.formality(), voice.formality(), texts.readingEase())));
    int energy = dial(voice.sentenceWords() - texts.sentenceWords(), 3);
    boolean exclaims = texts.exclamations() >= 3;
    evidence.add(
        new Evidence(
            "exclamations",
            "%.0f of 100 sentences exclaim, %.0f ask."
                .formatted(texts.exclamations(), texts.questions())));
    if (!texts.openings().isEmpty()) {
      evidence.add(
          new Evidence(
              "openings", "Sentences often begin: " + String.join(", ", texts.openings())));
    }
    int warm = style.tuning().warmth();
    Style proposed =
        style.with(
            p -> {
              p.voice = nearest;
              p.tuning = new Tuning(formal, warm, energy, person, contracted, sentence);
              p.exclamations = exclaims;
              p.sample = texts;
            });
    return new VoiceProposal(texts, proposed, List.copyOf(evidence));
  }

  private static int dial(double difference, double step) {
    return Math.clamp(Math.round(difference / step), -Tuning.FAR, Tuning.FAR);
  }
}
