package rhetor.app.style;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.web.Refused;
import rhetor.core.style.Aspect;
import rhetor.core.style.BannedWord;
import rhetor.core.style.Field;
import rhetor.core.style.Instructions;
import rhetor.core.style.LayeredStyle;
import rhetor.core.style.Length;
import rhetor.core.style.Setting;
import rhetor.core.style.Spelling;
import rhetor.core.style.Structure;
import rhetor.core.style.Style;
import rhetor.core.style.TitleForm;
import rhetor.core.style.Tuning;
import rhetor.core.style.VoiceMeasure;
import rhetor.core.style.VoiceProposal;
import rhetor.core.style.WordChange;

/** The house's style over HTTP. */
@RestController
class StyleController {
  private static final int MOST_LINES = 100;

  private final HouseStyle house;
  private final StyleTrials trials;
  private final WordHabits habits;

  StyleController(HouseStyle house, StyleTrials trials, WordHabits habits) {
    this.habits = habits;
    this.house = house;
    this.trials = trials;
  }

  /** A style as it is shown and sent; see {@link Style} for its parts. */
  record StyleBody(
      @NotNull String voice,
      @NotNull Tuning tuning,
      @NotNull String audience,
      @NotNull List<@Valid BannedWord> banned,
      @NotNull List<String> required,
      @NotNull List<String> notInTitles,
      @NotNull List<String> always,
      List<String> special,
      @NotNull Spelling spelling,
      boolean emoji,
      boolean exclamations,
      TitleForm titles,
      Structure structure,
      @NotNull Map<String, Length> lengths,
      @NotNull List<String> instructions,
      Map<Aspect, Integer> weights,
      @NotNull VoiceMeasure sample) {
    static StyleBody of(Style s) {
      return new StyleBody(
          s.voice(),
          s.tuning(),
          s.audience(),
          s.banned(),
          s.required(),
          s.notInTitles(),
          s.always(),
          s.special(),
          s.spelling(),
          s.emoji(),
          s.exclamations(),
          s.titles(),
          s.structure(),
          LayerBody.byCode(s.lengths()),
          s.instructions(),
          s.weights(),
          s.sample());
    }

    Style style() {
      return new Style(
          voice,
          tuning,
          audience,
          banned,
          required,
          List.of(),
          notInTitles,
          always,
          special,
          List.of(),
          spelling,
          emoji,
          exclamations,
          titles,
          structure,
          LayerBody.byField(lengths),
          instructions,
          weights,
          sample);
    }
  }

  /**
   * What holds for a part of the house.
   *
   * @param version number of its own decision
   * @param style what its texts obey in the end
   * @param settings the same in words, each with what decided it
   */
  record LayerView(int version, LayerBody layer, StyleBody style, List<Setting> settings) {}

  /** Another decision of a part of the house; {@code seen} is the number of the one seen. */
  record LayerChange(int seen, @NotNull @Valid LayerBody layer) {}

  @GetMapping("/api/layers/{kind}/{owner}")
  LayerView layer(@PathVariable String kind, @PathVariable String owner) {
    LayerOwner whose = LayerOwner.parse(kind, owner);
    StyleStore.KeptLayer kept = house.layer(whose);
    LayeredStyle whole = house.whole(whose);
    return new LayerView(
        kept.version(), LayerBody.of(kept.layer()), StyleBody.of(whole.style()), whole.settings());
  }

  @GetMapping("/api/layers/{kind}/{owner}/versions")
  List<StyleStore.StyleVersion> layerHistory(
      @PathVariable String kind, @PathVariable String owner) {
    return house.history(LayerOwner.parse(kind, owner));
  }

  @GetMapping("/api/layers/{kind}/{owner}/versions/{version}")
  LayerBody layerVersion(
      @PathVariable String kind, @PathVariable String owner, @PathVariable int version) {
    return LayerBody.of(house.version(LayerOwner.parse(kind, owner), version));
  }

  @PutMapping("/api/layers/{kind}/{owner}")
  LayerView putLayer(
      @PathVariable String kind,
      @PathVariable String owner,
      @Valid @RequestBody LayerChange change,
      Principal person) {
    house.putLayer(
        LayerOwner.parse(kind, owner), change.layer().layer(), change.seen(), person.getName());
    return layer(kind, owner);
  }

  @PostMapping("/api/layers/{kind}/{owner}/try")
  StyleTrials.StyleTrial tryLayer(
      @PathVariable String kind, @PathVariable String owner, @Valid @RequestBody LayerBody body) {
    return trials.layer(LayerOwner.parse(kind, owner), body.layer());
  }

  /** A field with the length that is usual for it. */
  record UsualLength(String field, String label, int least, int most) {}

  /** The style that holds, or a version of it. */
  record StyleView(
      long version, StyleBody style, List<UsualLength> usual, List<UsualWeight> weighing) {}

  /** An aspect of readiness with the points that it usually gives. */
  record UsualWeight(Aspect aspect, String label, int points) {}

  /**
   * Another style.
   *
   * @param seen the version that was seen
   * @param note what was changed; empty to have it said
   */
  record StyleChange(long seen, @NotNull String note, @NotNull @Valid StyleBody style) {}

  private static StyleView view(long version, Style style) {
    return new StyleView(
        version,
        StyleBody.of(style),
        Arrays.stream(Field.values())
            .map(f -> new UsualLength(f.code(), f.label(), f.least(), f.most()))
            .toList(),
        Arrays.stream(Aspect.values()).map(a -> new UsualWeight(a, a.label(), a.usual())).toList());
  }

  @GetMapping("/api/style")
  StyleView get() {
    return view(house.version(), house.current());
  }

  /** Words that people put for others in several texts. */
  @GetMapping("/api/style/habits")
  List<WordHabits.Habit> habits() {
    return habits.offered();
  }

  /** A pair of words that isn't to be offered again. */
  record LeftPair(
      @NotBlank @Size(max = 100) String word, @NotBlank @Size(max = 100) String instead) {}

  @PostMapping("/api/style/habits/left")
  List<WordHabits.Habit> leave(@Valid @RequestBody LeftPair pair, Principal person) {
    habits.leave(new WordChange(pair.word(), pair.instead()), person.getName());
    return habits.offered();
  }

  @GetMapping("/api/style/versions")
  List<StyleStore.StyleVersion> history() {
    return house.history();
  }

  @GetMapping("/api/style/versions/{version}")
  StyleView version(@PathVariable long version) {
    return view(version, house.version(version));
  }

  @PostMapping("/api/style/try")
  StyleTrials.StyleTrial tryOut(@Valid @RequestBody StyleBody body) {
    return trials.house(body.style());
  }

  /** Instructions in plain words, and the style that they are added to. */
  record PlainWords(@NotNull List<String> lines, @NotNull @Valid StyleBody style) {}

  /** What was understood of them. */
  record PlainWordsView(List<Instructions.Understood> lines, StyleBody style) {}

  @PostMapping("/api/style/read")
  PlainWordsView read(@Valid @RequestBody PlainWords words) {
    if (words.lines().size() > MOST_LINES) {
      throw Refused.invalid("Up to %d instructions are read at a time.".formatted(MOST_LINES));
    }
    Instructions.Reading reading = Instructions.read(words.lines(), words.style().style());
    return new PlainWordsView(reading.lines(), StyleBody.of(reading.style()));
  }

  /** Texts that the house likes, parted by empty lines, and the style that is to come near them. */
  record SampleOrder(@NotNull String texts, @NotNull @Valid StyleBody style) {}

  /** What they say about the voice. */
  record SampleView(VoiceMeasure measure, StyleBody style, List<VoiceProposal.Evidence> evidence) {}

  @PostMapping("/api/style/sample")
  SampleView sample(@Valid @RequestBody SampleOrder order) {
    VoiceProposal proposal = trials.sample(order.texts(), order.style().style());
    return new SampleView(proposal.measure(), StyleBody.of(proposal.style()), proposal.evidence());
  }

  @PutMapping("/api/style")
  StyleView put(@Valid @RequestBody StyleChange change, Principal person) {
    long version =
        house.put(change.style().style(), change.seen(), change.note(), person.getName());
    return view(version, house.version(version));
  }
}
