package rhetor.app.concept;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.knowledge.HouseKnowledge.Decided;
import rhetor.app.knowledge.Standing;
import rhetor.app.knowledge.Touched;
import rhetor.app.web.Refused;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Unit;
import rhetor.core.reading.CellText;

/** The kinds of facts over HTTP. */
@RestController
class ConceptController {
  private final HouseConcepts concepts;
  private final WordingProposals proposals;
  private final OwnPages pages;
  private final StruckFacts struck;
  private final HouseKnowledge house;

  ConceptController(
      HouseConcepts concepts,
      WordingProposals proposals,
      OwnPages pages,
      StruckFacts struck,
      HouseKnowledge house) {
    this.struck = struck;
    this.concepts = concepts;
    this.pages = pages;
    this.proposals = proposals;
    this.house = house;
  }

  /**
   * Wordings for things of some classes.
   *
   * @param classes ids of kinds of products, with those that belong to them
   */
  record SayOfBody(@NotNull List<String> classes, @NotNull Map<String, List<String>> say) {}

  /**
   * A kind of fact as it is shown and sent; see {@link Concept} for its parts.
   *
   * @param names what English sheets call it
   * @param say its wordings by form
   */
  record ConceptBody(
      @NotNull String id,
      @NotNull String label,
      @NotNull List<String> names,
      @NotNull Concept.Kind kind,
      @NotNull String unit,
      @NotNull String theme,
      int weight,
      boolean anyOrder,
      @NotNull Map<String, List<String>> say,
      @NotNull List<@Valid SayOfBody> sayOf,
      @NotNull List<@Valid SayOfBody> taught,
      @NotNull List<String> notOf) {
    static ConceptBody of(Concept c) {
      return new ConceptBody(
          c.id(),
          c.label(),
          c.names().getOrDefault("en", List.of()),
          c.kind(),
          c.unit(),
          c.theme(),
          c.weight(),
          c.anyOrder(),
          c.say(),
          bodies(c.sayOf()),
          bodies(c.taught()),
          c.notOf());
    }

    private static List<SayOfBody> bodies(List<Concept.SayOf> of) {
      return of.stream().map(s -> new SayOfBody(s.classes(), s.say())).toList();
    }
  }

  /** A kind of fact in a list. */
  record ConceptView(ConceptBody concept, Standing state, String by) {}

  /** What one can choose from for a kind of fact of one's own. */
  record ConceptChoices(List<String> units, List<String> themes, List<ClassChoice> classes) {}

  /** A kind of product, by its id and what people call several of it. */
  record ClassChoice(String id, String plural) {}

  @GetMapping("/api/concepts")
  List<ConceptView> list(
      @RequestParam(defaultValue = "") String search,
      @RequestParam(defaultValue = "ALL") String state) {
    return concepts.list(search, Standing.named(state)).stream()
        .map(ConceptController::view)
        .toList();
  }

  private static ConceptView view(Decided<Concept> d) {
    return new ConceptView(ConceptBody.of(d.item()), d.state(), d.by());
  }

  @GetMapping("/api/concepts/choices")
  ConceptChoices choices() {
    return new ConceptChoices(
        house.standard().units().stream().map(Unit::id).filter(u -> !u.isEmpty()).sorted().toList(),
        house.standard().concepts().stream().map(Concept::theme).distinct().sorted().toList(),
        house.current().classes().stream()
            .map(c -> new ClassChoice(c.id(), c.plural()))
            .sorted(Comparator.comparing(ClassChoice::plural))
            .toList());
  }

  @PostMapping("/api/concepts/try")
  HouseConcepts.ConceptTrial tryOut(@Valid @RequestBody ConceptBody body) {
    return concepts.tryOut(concept(body));
  }

  /** Headings that no sentence tells yet, those of most products first. */
  @GetMapping("/api/concepts/untold")
  List<HouseConcepts.UntoldHeading> untold() {
    return concepts.untold();
  }

  /**
   * A wording for a heading that no words tell yet, or for a kind of fact as it is put of one kind
   * of product.
   *
   * @param concept id of the kind of fact, empty for a heading that is none
   * @param kind id of the kind of product, empty for those of no known kind; counts for a kind of
   *     fact only
   * @param form the place in a sentence: verb, with, part, ...
   * @param wording with {@code {v}} or {@code {asis}} where the value goes
   */
  record NewWording(
      @NotNull String heading,
      @NotNull String concept,
      @NotNull String kind,
      @NotNull String form,
      @NotNull String wording) {}

  /** Wordings, kept together or not at all. */
  record NewWordings(@NotNull List<@Valid NewWording> wordings) {}

  @PostMapping("/api/concepts/wordings")
  HouseConcepts.Learned learn(@Valid @RequestBody NewWordings wordings, Principal person) {
    return concepts.learn(worded(wordings), person.getName());
  }

  /** Takes wordings back that were kept so. */
  @PostMapping("/api/concepts/wordings/take-back")
  Touched unlearn(@Valid @RequestBody NewWordings wordings, Principal person) {
    return new Touched(concepts.unlearn(worded(wordings), person.getName()));
  }

  /**
   * What a heading is called in lists.
   *
   * @param label what lists call it; the heading itself to call it as it is headed again
   */
  record HeadingCalled(@NotNull String heading, @NotNull String label) {}

  /** Calls a heading otherwise in the lists of all products that have it. */
  @PostMapping("/api/concepts/headings")
  HouseConcepts.Learned call(@Valid @RequestBody HeadingCalled called, Principal person) {
    return concepts.call(
        CellText.clean(called.heading()), CellText.clean(called.label()), person.getName());
  }

  /** What wordings for headings would do; nothing is kept. */
  @PostMapping("/api/concepts/wordings/try")
  HouseConcepts.LearnedTrial tryWordings(@Valid @RequestBody NewWordings wordings) {
    return concepts.tryOut(worded(wordings));
  }

  private static List<HouseConcepts.Worded> worded(NewWordings wordings) {
    return wordings.wordings().stream()
        .map(
            w ->
                new HouseConcepts.Worded(
                    CellText.clean(w.heading()),
                    w.concept().strip(),
                    w.kind().strip(),
                    w.form().strip().toLowerCase(Locale.ROOT),
                    CellText.clean(w.wording())))
        .toList();
  }

  /**
   * What a text model is asked for: wordings of headings.
   *
   * @param ask whether it may be asked; if not, only what it answered before is shown
   */
  record Wanted(long connection, @NotNull List<@NotNull String> headings, boolean ask) {}

  /** How the house's own pages tell headings that have no words yet. */
  @GetMapping("/api/concepts/own-pages")
  List<OwnPages.PageWording> ownPages() {
    return pages.wordings();
  }

  /** What a text model proposes for headings that no sentence tells yet. */
  @PostMapping("/api/concepts/proposals")
  WordingProposals.ProposedAll propose(@Valid @RequestBody Wanted wanted, Principal person) {
    return proposals.propose(
        wanted.connection(), wanted.headings(), wanted.ask(), person.getName());
  }

  @PutMapping("/api/concepts/{id}")
  Touched put(@PathVariable String id, @Valid @RequestBody ConceptBody body, Principal person) {
    if (!id.equals(body.id())) {
      throw Refused.invalid("The short name can't be changed; add another kind of fact instead.");
    }
    return new Touched(concepts.put(concept(body), person.getName()));
  }

  /** Kinds of facts whose sentences people strike out again and again. */
  @GetMapping("/api/concepts/struck")
  List<StruckFacts.Struck> struck() {
    return struck.offered();
  }

  /** Tells a kind of fact in no sentence from now on; it stays in the list. */
  @PostMapping("/api/concepts/{id}/silence")
  Touched silence(@PathVariable String id, Principal person) {
    return new Touched(concepts.silence(id, person.getName()));
  }

  /** Goes on telling a kind of fact, and doesn't ask again. */
  @PostMapping("/api/concepts/{id}/keep-telling")
  List<StruckFacts.Struck> keepTelling(@PathVariable String id, Principal person) {
    struck.leave(id, person.getName());
    return struck.offered();
  }

  /** A kind of fact as it was once. */
  record ConceptVersion(long version, ConceptBody concept, String by, Instant at) {}

  /** A kind of fact as the house has had it, the latest first. */
  @GetMapping("/api/concepts/{id}/versions")
  List<ConceptVersion> versions(@PathVariable String id) {
    return concepts.versions(id).stream()
        .map(v -> new ConceptVersion(v.number(), ConceptBody.of(v.item()), v.by(), v.at()))
        .toList();
  }

  @PostMapping("/api/concepts/{id}/restore")
  Touched restore(@PathVariable String id) {
    return new Touched(concepts.restore(id));
  }

  /**
   * What was sent, on what ships under that id: how its values are read, and its names in other
   * languages, can't be changed there, for stored facts rest on them.
   */
  private Concept concept(ConceptBody body) {
    Concept shipped = concepts.shipped(body.id).orElse(null);
    Map<String, List<String>> names =
        new LinkedHashMap<>(shipped == null ? Map.of() : shipped.names());
    names.put(
        "en", clean(body.names).stream().map(n -> n.toLowerCase(Locale.ROOT)).distinct().toList());
    String unit = body.unit.strip();
    return new Concept(
        body.id.strip(),
        CellText.clean(body.label),
        shipped == null ? "" : shipped.gloss(),
        names,
        shipped == null ? body.kind : shipped.kind(),
        shipped == null
            ? house.standard().unit(unit).map(Unit::dimension).orElse("")
            : shipped.dimension(),
        shipped == null ? unit : shipped.unit(),
        shipped == null ? theme(body.theme) : shipped.theme(),
        body.weight,
        shipped == null ? "" : shipped.terms(),
        shipped == null ? List.of() : shipped.hypernyms(),
        shipped == null ? List.of() : shipped.cues(),
        shipped == null ? List.of() : shipped.classes(),
        body.anyOrder,
        say(body.say),
        sayOf(body.sayOf),
        sayOf(body.taught),
        body.notOf,
        shipped == null ? Map.of() : shipped.compare());
  }

  private static List<Concept.SayOf> sayOf(List<SayOfBody> sent) {
    return sent.stream()
        .map(s -> new Concept.SayOf(s.classes, say(s.say)))
        .filter(s -> !s.say().isEmpty())
        .toList();
  }

  private static Map<String, List<String>> say(Map<String, List<String>> sent) {
    Map<String, List<String>> say = new LinkedHashMap<>();
    new TreeMap<>(sent)
        .forEach(
            (form, wordings) -> {
              List<String> kept = clean(wordings);
              if (!kept.isEmpty()) {
                say.put(form, kept);
              }
            });
    return say;
  }

  private String theme(String theme) {
    if (choices().themes().contains(theme)) {
      return theme;
    }
    throw Refused.invalid("There is no theme called " + theme + ".");
  }

  private static List<String> clean(List<String> phrases) {
    return phrases.stream()
        .flatMap(p -> Arrays.stream(p.split("\n")))
        .map(CellText::clean)
        .filter(p -> !p.isEmpty())
        .distinct()
        .toList();
  }
}
