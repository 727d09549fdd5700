package rhetor.standins.model;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.exchange.Html;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.RangeFigures;
import rhetor.core.reading.TextReader;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.style.Length;
import rhetor.core.style.Style;
import rhetor.core.style.StyleLayer;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.text.Draft;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes what a prompt asks for from the facts that stand in it, with a text model's habits: it
 * chats, fences its answer, and makes things up now and then; told so, it mostly takes them back.
 * The same conversation always gets the same answer.
 */
final class Scribe {
  private static final Pattern PRODUCT = Pattern.compile("(?m)^Product: (.+?)(?: by (.+))?$");
  private static final Pattern KIND = Pattern.compile("(?m)^It is an? (.+)\\.$");
  private static final Pattern KEYWORD = Pattern.compile("found by \"(.+?)\"");
  private static final Pattern VOICE = Pattern.compile("(?m)^Voice: (\\w+)");
  private static final Pattern FACT = Pattern.compile("(?m)^- (\\p{L}[^:\n]{1,60}): (.+)$");
  private static final Pattern LENGTH =
      Pattern.compile("(?m)^- (\\w+): (\\d+) to (\\d+) characters.*$");
  private static final Pattern BLAMED = Pattern.compile("(?m)^- (\\w+)(?: “(.+?)”)?: ");

  /** What is true of no product in particular. */
  private static final List<String> INVENTED =
      List.of(
          "It comes with a lifetime guarantee.",
          "Its frame is made of titanium.",
          "It weighs only 120 g.",
          "Nothing on the market lasts longer.");

  private static final List<Field> ASKED =
      List.of(
          Field.TITLE,
          Field.SHORT_DESCRIPTION,
          Field.DESCRIPTION,
          Field.META_TITLE,
          Field.META_DESCRIPTION,
          Field.TAGS,
          Field.IMAGE_ALT);

  private final Knowledge knowledge = Knowledge.standard();
  private final Phraser phraser = new Phraser();
  private final Referee referee = new Referee();
  private final JsonMapper json = JsonMapper.builder().build();

  String answer(List<ModelApi.Message> messages) {
    String prompt = messages.getFirst().content();
    if (Referee.isAsked(prompt)) {
      return referee.answer(prompt);
    }
    if (Phraser.isAsked(prompt)) {
      return phraser.answer(prompt);
    }
    if (!PRODUCT.matcher(prompt).find()) {
      return "Ready.";
    }
    int mood = prompt.hashCode() & Integer.MAX_VALUE;
    String told = messages.size() > 1 ? messages.getLast().content() : "";
    boolean isStubborn = mood % 8 == 0;
    Map<String, Object> fields = fields(prompt, mood, isStubborn ? "" : told);
    String answer = json.writerWithDefaultPrettyPrinter().writeValueAsString(fields);
    return switch (mood % 3) {
      case 0 ->
          "Sure! Here are the texts you asked for:\n\n```json\n%s\n```\n\nLet me know if you would like another tone."
              .formatted(answer);
      case 1 -> "```json\n" + answer + "\n```";
      default -> answer;
    };
  }

  private Map<String, Object> fields(String prompt, int mood, String told) {
    Map<Field, List<String>> blamed = new EnumMap<>(Field.class);
    Matcher blame = BLAMED.matcher(told);
    while (blame.find()) {
      Field field = Field.valueOf(blame.group(1).toUpperCase(Locale.ROOT));
      blamed
          .computeIfAbsent(field, f -> new ArrayList<>())
          .add(blame.group(2) == null ? "" : blame.group(2));
    }
    Brief brief = brief(prompt);
    Draft draft = composed(brief, mood);
    Draft other = composed(brief.take(1), mood);
    Map<String, Object> fields = new LinkedHashMap<>();
    for (Field field : ASKED) {
      Draft from = blamed.containsKey(field) && field != Field.DESCRIPTION ? other : draft;
      if (field == Field.DESCRIPTION) {
        fields.put(field.code(), description(draft, mood, blamed.getOrDefault(field, List.of())));
      } else if (field == Field.TAGS) {
        fields.put(field.code(), from.sentences(field).stream().map(s -> s.text()).toList());
      } else {
        fields.put(field.code(), from.plain(field));
      }
    }
    return fields;
  }

  private static String description(Draft draft, int mood, List<String> blamed) {
    String html = Html.of(draft.blocks(Field.DESCRIPTION));
    if (mood / 3 % 3 == 0) {
      String invented = INVENTED.get(mood / 9 % INVENTED.size());
      html = html.replaceFirst("</p>", " " + invented + "</p>");
    }
    for (String sentence : blamed) {
      html = html.replace(" " + sentence, "").replace(sentence, "");
    }
    return html;
  }

  private Draft composed(Brief brief, int mood) {
    return new Composer(knowledge, mood, Variety.ofFew(), new RangeFigures(knowledge))
        .compose(brief);
  }

  private Brief brief(String prompt) {
    Matcher product = PRODUCT.matcher(prompt);
    product.find();
    StringBuilder sheet = new StringBuilder();
    if (product.group(2) != null) {
      sheet.append("Brand: ").append(product.group(2)).append('\n');
    }
    Matcher fact = FACT.matcher(prompt);
    while (fact.find()) {
      if (!LENGTH.matcher(fact.group()).matches()) {
        sheet.append(fact.group(1)).append(": ").append(fact.group(2)).append('\n');
      }
    }
    ProductFacts facts =
        new TextReader(knowledge)
            .read("asked", product.group(1), first(KIND, prompt), sheet.toString(), "prompt");
    Voice voice =
        Voices.all().stream()
            .filter(v -> v.label().equalsIgnoreCase(first(VOICE, prompt)))
            .findFirst()
            .orElse(Voices.plain());
    return Brief.of(facts, first(KEYWORD, prompt)).under(style(prompt)).in(voice);
  }

  /** The usual style with the lengths that are asked for. */
  private Style style(String prompt) {
    Map<String, Length> lengths = new LinkedHashMap<>();
    Matcher length = LENGTH.matcher(prompt);
    while (length.find()) {
      lengths.put(
          length.group(1),
          Length.ofCharacters(
              Integer.parseInt(length.group(2)), Integer.parseInt(length.group(3))));
    }
    return json.convertValue(Map.of("lengths", lengths), StyleLayer.class).over(Style.standard());
  }

  private static String first(Pattern pattern, String text) {
    Matcher found = pattern.matcher(text);
    return found.find() ? found.group(1) : "";
  }
}
