package rhetor.core.model;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import rhetor.core.exchange.Html;
import rhetor.core.reading.CellText;
import rhetor.core.style.Field;
import rhetor.core.text.Block;

/**
 * Reads what a text model answered. Models wrap what they were asked for in chatter, fences and
 * quotes, break their JSON or answer in headed paragraphs; what is meant for a field is found, and
 * the rest left out and told of. Half a field is never kept.
 */
public final class AnswerReader {
  /** Longest answer that is looked at, in characters; what goes on after that need not be kept. */
  public static final int LONGEST = 200_000;

  /** Lines in which a model talks to whoever asked. */
  private static final Pattern CHATTER =
      Pattern.compile(
          "(?i)^\\W*(?:(?:sure|certainly|of course|absolutely|great)\\b[,!.].*"
              + "|(?:here|below)(?:['’]s| is| are)\\b(?:.*:|.*\\b(?:texts?|descriptions?|titles?|copy|versions?|drafts?|answers?|json|you (?:asked|wanted|requested))\\b.*\\.)"
              + "|as requested\\b.*|as an ai\\b.*|i hope\\b.*|i(?:['’]ve| have) (?:written|kept|made|used|added)\\b.*"
              + "|let me know\\b.*|(?:please )?feel free\\b.*|would you like me\\b.*|thank you for\\b.*)$");

  private static final Pattern FENCE = Pattern.compile("(?m)^\\s*```\\w*\\s*$");
  private static final Pattern RULE = Pattern.compile("^\\s*(?:[-–—*=_~] ?){3,}\\s*$");

  /** A line that names a field: "Title: …", "**Meta title**", "## Description". */
  private static final Pattern LABEL =
      Pattern.compile(
          "^\\s*(?<mark>#{1,6}\\s*|\\*\\*|__)?(?<name>\\p{L}[\\p{L} _-]{2,28}?)\\s*(?:\\*\\*|__)?\\s*(?::\\s*(?:\\*\\*|__)?\\s*(?<rest>.*))?$");

  private static final Pattern QUOTED =
      Pattern.compile("(?s)^(?:\"(.*)\"|“(.*)”|'(.*)'|‘(.*)’|«(.*)»)$");
  private static final Pattern BULLET = Pattern.compile("^(?:[-•*–]|\\d{1,2}[.)])\\s+");

  private static final Parser MARKDOWN = Parser.builder().build();
  private static final HtmlRenderer RENDERER = HtmlRenderer.builder().build();

  private final List<String> notes = new ArrayList<>();

  private AnswerReader() {}

  /**
   * Reads an answer.
   *
   * @throws UnreadableAnswer if none of the fields is in it
   */
  public static Answer read(String answer) {
    return new AnswerReader().fields(answer);
  }

  private Answer fields(String answer) {
    String text = answer.length() > LONGEST ? answer.substring(0, LONGEST) : answer;
    text = FENCE.matcher(text.replace("\uFEFF", "").replace("\r\n", "\n")).replaceAll("").strip();
    LooseJson json = LooseJson.in(text);
    Map<Field, String> raw = json.fields();
    if (raw.isEmpty()) {
      raw = headed(text);
    } else {
      around(json.around());
    }
    notes.addAll(json.notes());
    Map<Field, List<Block>> fields = new EnumMap<>(Field.class);
    raw.forEach(
        (field, value) -> {
          List<Block> blocks =
              field == Field.DESCRIPTION
                  ? description(value)
                  : Html.parse(field, plain(field, value));
          if (!blocks.isEmpty()) {
            fields.put(field, blocks);
          }
        });
    if (fields.isEmpty()) {
      throw new UnreadableAnswer(answer);
    }
    withoutPageHeading(fields);
    return new Answer(fields, notes);
  }

  private void around(String text) {
    String line = CellText.clean(text);
    if (!line.isEmpty()) {
      notes.add("What stood around the fields was left out: “%s”".formatted(snippet(line)));
    }
  }

  /** The fields of an answer in headed paragraphs. */
  private Map<Field, String> headed(String text) {
    Map<Field, StringBuilder> found = new EnumMap<>(Field.class);
    StringBuilder before = new StringBuilder();
    StringBuilder at = before;
    for (String line : text.split("\n")) {
      Matcher label = LABEL.matcher(line);
      Optional<Field> field =
          label.matches() && (label.group("rest") != null || label.group("mark") != null)
              ? labelled(label.group("name"))
              : Optional.empty();
      if (field.isPresent() && !found.containsKey(field.get())) {
        at = new StringBuilder(Optional.ofNullable(label.group("rest")).orElse(""));
        found.put(field.get(), at);
      } else {
        at.append('\n').append(line);
      }
    }
    if (!found.isEmpty()) {
      around(before.toString());
    }
    return found.entrySet().stream()
        .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().toString()));
  }

  /** Only a field's own name heads a paragraph: "Name: …" may be an entry of a list. */
  private static Optional<Field> labelled(String name) {
    return FieldNames.field(name).filter(f -> FieldNames.isOwnName(name, f));
  }

  /** A field that has no markup, on one line, or on several if it is a list. */
  private String plain(Field field, String value) {
    List<String> kept = new ArrayList<>();
    for (String line : CellText.lines(value).split("\n")) {
      if (!RULE.matcher(line).matches() && !isChatter(line)) {
        kept.add(words(line, field));
      }
    }
    String text =
        String.join(field.isList() ? "\n" : field == Field.TAGS ? ", " : " ", kept).strip();
    Matcher label = LABEL.matcher(text);
    if (label.matches()
        && label.group("rest") != null
        && labelled(label.group("name")).equals(Optional.of(field))) {
      text = label.group("rest");
    }
    return unquoted(text);
  }

  private static String words(String line, Field field) {
    String words = line.replaceAll("\\*\\*|__|`", "").replaceFirst("^\\s*#{1,6}\\s+", "").strip();
    if (field.isList() || field == Field.TAGS) {
      words = BULLET.matcher(words).replaceFirst("");
    }
    // Tags are words; a hash sign before them is how others mark them.
    return field == Field.TAGS ? words.replace("#", "") : words;
  }

  private static String unquoted(String text) {
    Matcher quoted = QUOTED.matcher(text.strip());
    if (!quoted.matches()) {
      return text.strip();
    }
    for (int i = 1; i <= quoted.groupCount(); i++) {
      if (quoted.group(i) != null) {
        String inner = quoted.group(i);
        // "A" and "B" begins and ends with a quote that isn't one of the whole.
        return inner.matches("(?s).*[\"“”«»].*") ? text.strip() : inner.strip();
      }
    }
    return text.strip();
  }

  private boolean isChatter(String line) {
    boolean chatter = CHATTER.matcher(line.strip()).matches();
    if (chatter) {
      notes.add(
          "A line that was meant for whoever asked was left out: “%s”"
              .formatted(snippet(line.strip())));
    }
    return chatter;
  }

  /** Markup or Markdown as blocks; what frames it is left out. */
  private List<Block> description(String value) {
    StringBuilder kept = new StringBuilder();
    for (String line : unquoted(value).split("\n")) {
      if (!RULE.matcher(line).matches() && !isChatter(line)) {
        // Markdown takes four spaces for a listing, which no shop text has.
        kept.append(line.strip()).append('\n');
      }
    }
    Document document = Jsoup.parse(RENDERER.render(MARKDOWN.parse(kept.toString())));
    if (!document.select("h1").isEmpty()) {
      notes.add(
          "The page’s heading stood in the description and was left out: “%s”"
              .formatted(snippet(document.select("h1").first().text())));
      document.select("h1").remove();
    }
    return Html.parse(document.body().html());
  }

  /** A description begins with its text, not with the title once more. */
  private void withoutPageHeading(Map<Field, List<Block>> fields) {
    List<Block> blocks = fields.getOrDefault(Field.DESCRIPTION, List.of());
    List<Block> title = fields.getOrDefault(Field.TITLE, List.of());
    if (blocks.size() > 1
        && !title.isEmpty()
        && blocks.getFirst().kind() == Block.Kind.HEADING
        && words(blocks.getFirst()).equalsIgnoreCase(words(title.getFirst()))) {
      notes.add("The title stood over the description once more and was left out there.");
      fields.put(Field.DESCRIPTION, blocks.subList(1, blocks.size()));
    }
  }

  private static String words(Block block) {
    return block.sentences().getFirst().text();
  }

  private static String snippet(String text) {
    return text.length() > 80 ? text.substring(0, 80).strip() + "…" : text;
  }
}
