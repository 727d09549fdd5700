package rhetor.core.style;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A setting of a style in words, with what decided it.
 *
 * @param name its name as in {@link StyleLayer#decided}
 * @param label what it is called where it is shown
 * @param value what holds
 * @param from the layers that had a say in it, the last one last
 */
public record Setting(String name, String label, String value, String from) {
  /** What the layer below all others is called. */
  static final String HOUSE = "the house";

  /**
   * All that a style decides and that is not as it comes.
   *
   * @param from what decided a setting, by its name; the house if it isn't there
   */
  static List<Setting> of(Style s, Map<String, String> from) {
    List<Setting> settings = new ArrayList<>();
    String voice = Voices.find(s.voice()).map(Voice::label).orElse(s.voice());
    add(settings, from, "voice", "Voice", voice);
    add(settings, from, "tuning", "The voice is bent", tuning(s.tuning()));
    add(settings, from, "audience", "Readers", s.audience());
    add(settings, from, "spelling", "Spelling", s.spelling().label());
    add(settings, from, "emoji", "Emoji", s.emoji() ? "allowed" : "none");
    add(settings, from, "exclamations", "Exclamation marks", s.exclamations() ? "allowed" : "none");
    List<String> banned =
        s.banned().stream()
            .map(b -> b.instead().isEmpty() ? b.word() : b.word() + " → " + b.instead())
            .toList();
    add(settings, from, "banned", "Words it doesn’t say", row(banned));
    add(settings, from, "notInTitles", "Words its titles never have", row(s.notInTitles()));
    add(settings, from, "required", "Words its descriptions have", row(s.required()));
    add(settings, from, "supporting", "Supporting keywords", row(s.supporting()));
    add(settings, from, "always", "Descriptions end with", String.join(" ", s.always()));
    add(settings, from, "special", "One of these each", String.join(" ", s.special()));
    add(settings, from, "titles", "Titles", s.titles().words());
    add(settings, from, "structure", "Descriptions", s.structure().words());
    add(settings, from, "angle", "For the time being", String.join(" ", s.angles()));
    for (Field field : Field.values()) {
      Length own = s.lengths().get(field);
      add(settings, from, "lengths." + field.code(), field.label(), own == null ? "" : length(own));
    }
    add(
        settings,
        from,
        "instructions",
        "For a text model besides",
        String.join(" ", s.instructions()));
    return settings;
  }

  private static void add(
      List<Setting> settings, Map<String, String> from, String name, String label, String value) {
    if (!value.isEmpty()) {
      settings.add(new Setting(name, label, value, from.getOrDefault(name, HOUSE)));
    }
  }

  private static String row(List<String> words) {
    return String.join(", ", words);
  }

  private static String tuning(Tuning t) {
    List<String> bent = new ArrayList<>();
    dial(bent, t.formality(), "more formal", "more casual");
    dial(bent, t.warmth(), "warmer", "more matter-of-fact");
    dial(bent, t.energy(), "brisker", "calmer");
    if (t.person() != Tuning.Person.AS_THE_VOICE) {
      bent.add(t.person() == Tuning.Person.YOU ? "speaks to “you”" : "speaks to nobody");
    }
    if (t.contractions() != Tuning.Contractions.AS_THE_VOICE) {
      bent.add("contracts " + t.contractions().name().toLowerCase(Locale.ROOT));
    }
    if (t.sentenceWords() > 0) {
      bent.add("sentences of up to " + t.sentenceWords() + " words");
    }
    return row(bent);
  }

  private static void dial(List<String> bent, int by, String more, String less) {
    if (by != 0) {
      String far = Math.abs(by) == Tuning.FAR ? "much " : "";
      bent.add(far + (by > 0 ? more : less));
    }
  }

  private static String length(Length l) {
    List<String> limits = new ArrayList<>();
    span(limits, l.leastCharacters(), l.mostCharacters(), "characters");
    span(limits, l.leastWords(), l.mostWords(), "words");
    return String.join(", ", limits);
  }

  private static void span(List<String> limits, int least, int most, String what) {
    if (least > 0 && most > 0) {
      limits.add(least + " to " + most + " " + what);
    } else if (least > 0) {
      limits.add("at least " + least + " " + what);
    } else if (most > 0) {
      limits.add("at most " + most + " " + what);
    }
  }
}
