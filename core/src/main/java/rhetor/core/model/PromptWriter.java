package rhetor.core.model;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.StringJoiner;
import java.util.stream.Collectors;
import rhetor.core.check.Mark;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Extent;
import rhetor.core.compose.Slots;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Licence;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.ValueText;
import rhetor.core.style.BannedWord;
import rhetor.core.style.Field;
import rhetor.core.style.Length;
import rhetor.core.style.Structure;
import rhetor.core.style.Style;
import rhetor.core.template.OwnText;
import rhetor.core.template.Part;
import rhetor.core.template.Question;
import rhetor.core.template.Slot;
import rhetor.core.template.Template;
import rhetor.core.text.Draft;

/** Writes what a text model is asked, whole, from the same brief that the composer gets. */
public final class PromptWriter {
  /** What is asked where a template has no prompt of its own. */
  public static final String USUAL =
      """
      Write the texts of one product for a shop, in {{language}}.

      Rest every statement on the facts below. Say nothing of the product that they don't say; \
      leave out what is not there.

      Product: {{name}}{{#if brand}} by {{brand}}{{/if}}
      {{#if kind}}It is a {{kind}}.
      {{/if}}{{#if keyword}}Its page is to be found by "{{keyword}}". Have these words in the title, \
      the first sentence and the meta fields.
      {{/if}}
      Facts:
      {{sheet}}
      {{#if claims}}
      What the shop may say of them:
      {{claims}}
      {{/if}}
      Voice: {{voice}}
      {{#if audience}}Readers: {{audience}}.
      {{/if}}{{#if banned}}Never say: {{banned}}.
      {{/if}}{{#if required}}The description has: {{required}}.
      {{/if}}{{#if outline}}
      The description in this order: {{outline}}.
      {{/if}}
      Lengths:
      {{lengths}}
      {{#if instructions}}
      Besides:
      {{instructions}}
      {{/if}}
      """;

  /** What a model is asked for; what else there is is the composer's. */
  static final List<Field> ASKED =
      List.of(
          Field.TITLE,
          Field.SHORT_DESCRIPTION,
          Field.DESCRIPTION,
          Field.META_TITLE,
          Field.META_DESCRIPTION,
          Field.TAGS,
          Field.IMAGE_ALT);

  /** How the answer is to come, whatever else is asked. */
  static String form(Extent extent) {
    return "Answer with a JSON object of these fields and nothing else: "
        + ASKED.stream()
            .filter(extent::has)
            .map(
                f ->
                    f == Field.DESCRIPTION ? f.code() + " (HTML without a page heading)" : f.code())
            .collect(Collectors.joining(", "))
        + ".";
  }

  /** What is said of pictures that go with a question. */
  static final String SHOWN =
      "\n\nA picture of it goes with this. It may help you to understand the facts; say nothing that only the picture shows.";

  /** Facts that stand over the list already. */
  private static final Set<String> NAMED = Set.of("name", "brand", "category");

  private final Knowledge knowledge;
  private final ValueText values;

  public PromptWriter(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.values = new ValueText(knowledge);
  }

  /** The whole prompt for a brief. */
  public String prompt(Brief brief) {
    Template template = brief.template();
    ProductFacts product = brief.product();
    Style style = brief.style();
    Map<String, Slot> slots =
        new LinkedHashMap<>(Slots.of(product, brief.keyword(), values, template.questions()));
    put(slots, "sheet", sheet(product, slots, template.questions()));
    put(slots, "claims", claims(product));
    put(slots, "voice", brief.voice().label() + ". " + brief.voice().about());
    put(slots, "audience", style.audience());
    put(slots, "banned", banned(style.banned()));
    List<String> wanted = new ArrayList<>(style.required());
    wanted.addAll(style.supporting());
    put(slots, "required", String.join(", ", wanted));
    put(slots, "lengths", lengths(style, brief.extent()));
    put(slots, "outline", outline(template, slots));
    put(slots, "language", style.spelling().language());
    put(slots, "instructions", instructions(style, template));
    String asked =
        OwnText.of(template.prompt().isBlank() ? USUAL : template.prompt())
            .filled(slots)
            .replaceAll("\n{3,}", "\n\n")
            .strip();
    String form = form(brief.extent());
    return asked.contains(form) ? asked : asked + "\n\n" + form;
  }

  /** What is sent back when an answer has things that must be fixed. */
  String correction(Draft draft, List<Mark> marks, Extent extent) {
    StringJoiner lines = new StringJoiner("\n");
    lines.add("Some of this can't stand:");
    for (Mark mark : marks) {
      String sentence =
          mark.sentence() < 0
              ? ""
              : " “" + draft.sentences(mark.field()).get(mark.sentence()).text() + "”";
      lines.add("- " + mark.field().code() + sentence + ": " + mark.why());
    }
    lines.add("Put this right and leave the rest as it is. " + form(extent));
    return lines.toString();
  }

  private static void put(Map<String, Slot> slots, String name, String value) {
    if (!value.isBlank()) {
      slots.put(name, new Slot(value, ""));
    }
  }

  private String sheet(ProductFacts product, Map<String, Slot> slots, List<Question> questions) {
    StringJoiner lines = new StringJoiner("\n");
    for (Fact fact : product.facts()) {
      if (!NAMED.contains(fact.concept())) {
        lines.add("- " + fact.label() + ": " + values.spec(fact.value()));
      }
    }
    for (Question question : questions) {
      Slot answer = slots.get(question.key());
      if (answer != null && answer.fact().isEmpty()) {
        lines.add("- " + question.label() + " " + answer.value());
      }
    }
    return lines.toString();
  }

  private String claims(ProductFacts product) {
    return product.facts().stream()
        .flatMap(f -> Licence.in(knowledge).of(f, product.productClass()).stream())
        .map(Claim::text)
        .filter(t -> !t.isBlank())
        .distinct()
        .map(t -> "- " + t)
        .collect(Collectors.joining("\n"));
  }

  private static String banned(List<BannedWord> banned) {
    return banned.stream()
        .map(
            b ->
                b.instead().isEmpty()
                    ? "\"" + b.word() + "\""
                    : "\"%s\" (say \"%s\")".formatted(b.word(), b.instead()))
        .collect(Collectors.joining(", "));
  }

  private static String lengths(Style style, Extent extent) {
    StringJoiner lines = new StringJoiner("\n");
    for (Field field : Field.values()) {
      if (!extent.has(field)) {
        continue;
      }
      Length length = style.length(field);
      StringJoiner limits = new StringJoiner(", ");
      if (length.mostCharacters() > 0) {
        limits.add(
            "%d to %d characters".formatted(length.leastCharacters(), length.mostCharacters()));
      }
      if (length.mostWords() > 0) {
        limits.add("up to %d words".formatted(length.mostWords()));
      }
      if (limits.length() > 0) {
        lines.add("- " + field.code() + ": " + limits);
      }
    }
    return lines.toString();
  }

  private static String outline(Template template, Map<String, Slot> slots) {
    return template.outline().stream().map(p -> asked(p, slots)).collect(Collectors.joining("; "));
  }

  private static String asked(Part part, Map<String, Slot> slots) {
    String heading =
        part.heading().isEmpty() ? "" : " under the heading \"" + part.heading() + "\"";
    return (switch (part.kind()) {
          case OPENING -> "what it is";
          case STORY -> "what there is to tell";
          case BENEFITS -> "facts and what they are good for";
          case SPECIFICATION -> "the facts as a list";
          case USE -> "what it is for";
          case CARE -> "how it is looked after";
          case BOX -> "what comes with it";
          case CLOSING -> "where it comes from";
          case OWN ->
              "these words: "
                  + OwnText.of(part.text()).lines(slots).stream()
                      .map(OwnText.Line::text)
                      .collect(Collectors.joining(" "));
        })
        + heading;
  }

  private static String instructions(Style style, Template template) {
    StringJoiner lines = new StringJoiner("\n");
    style.ownSentences().forEach(s -> lines.add("- End the description with: " + s));
    if (!style.special().isEmpty()) {
      lines.add("- Say one of these of the shop: " + String.join(" ", style.special()));
    }
    if (!style.structure().specification()) {
      lines.add("- Have no list of facts in the description.");
    }
    if (style.structure().paragraphSentences() > 0) {
      lines.add(
          "- Have %s at most in a paragraph."
              .formatted(Structure.sentences(style.structure().paragraphSentences())));
    }
    style.instructions().forEach(i -> lines.add("- " + i));
    template.instructions().forEach(i -> lines.add("- " + i));
    return lines.toString();
  }
}
