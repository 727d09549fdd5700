package rhetor.core.model;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.text.StringEscapeUtils;
import rhetor.core.style.Field;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.json.JsonReadFeature;

/**
 * The fields of a JSON object that stands somewhere in a text, well made or not: unescaped quotes
 * and line ends, trailing commas, an end that is missing.
 *
 * @param fields the values of known fields; an array's as lines
 * @param around what stands before and after the object
 * @param notes what is wrong with it
 */
record LooseJson(Map<Field, String> fields, String around, List<String> notes) {
  private static final JsonFactory LENIENT =
      JsonFactory.builder()
          .enable(JsonReadFeature.ALLOW_UNESCAPED_CONTROL_CHARS)
          .enable(JsonReadFeature.ALLOW_TRAILING_COMMA)
          .enable(JsonReadFeature.ALLOW_SINGLE_QUOTES)
          .enable(JsonReadFeature.ALLOW_UNQUOTED_PROPERTY_NAMES)
          .enable(JsonReadFeature.ALLOW_BACKSLASH_ESCAPING_ANY_CHARACTER)
          .enable(JsonReadFeature.ALLOW_JAVA_COMMENTS)
          .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(40).build())
          .build();

  private static final Pattern PROPERTY = Pattern.compile("\"(?<name>\\w[\\w -]{0,40})\"\\s*:\\s*");

  /** Where a string ends whose quotes can't be trusted: before the next property or the end. */
  private static final Pattern END_OF_STRING =
      Pattern.compile("\"\\s*(?:,\\s*\"\\w[\\w -]{0,40}\"\\s*:|,?\\s*})");

  private static final Pattern ITEM = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");

  /** Braces at which an object is looked for; an answer is one object, whatever stands before. */
  private static final int MOST_TRIES = 20;

  private static final LooseJson NONE = new LooseJson(Map.of(), "", List.of());

  /** The first object in a text that has a field's name among its own. */
  static LooseJson in(String text) {
    char[] characters = text.toCharArray();
    int from = text.indexOf('{');
    for (int tries = 0; from >= 0 && tries < MOST_TRIES; tries++) {
      Optional<LooseJson> whole = whole(text, characters, from);
      if (whole.isPresent()) {
        return whole.get();
      }
      from = text.indexOf('{', from + 1);
    }
    return byNames(text);
  }

  /** Fields as they are found; a field's own name counts for more than another word for it. */
  private static final class Found {
    private final Map<Field, String> fields = new EnumMap<>(Field.class);
    private final Set<Field> byOwnName = EnumSet.noneOf(Field.class);

    void put(String name, String value) {
      FieldNames.field(name)
          .filter(f -> FieldNames.isOwnName(name, f) ? byOwnName.add(f) : !fields.containsKey(f))
          .ifPresent(f -> fields.put(f, value));
    }
  }

  /** The object that begins at a brace, if it is one with known fields. */
  private static Optional<LooseJson> whole(String text, char[] characters, int from) {
    Found found = new Found();
    int depth = 0;
    try (JsonParser parser =
        LENIENT.createParser(
            ObjectReadContext.empty(), characters, from, characters.length - from)) {
      JsonToken token;
      while ((token = parser.nextToken()) != null) {
        if (token == JsonToken.PROPERTY_NAME) {
          String name = parser.currentName();
          Optional<Field> field = FieldNames.field(name);
          token = parser.nextToken();
          if (field.isPresent() && token.isScalarValue()) {
            found.put(name, token == JsonToken.VALUE_NULL ? "" : parser.getString());
          } else if (field.isPresent() && token == JsonToken.START_ARRAY) {
            found.put(name, lines(parser, field.get()));
            token = JsonToken.END_ARRAY;
            depth++;
          }
        }
        if (token.isStructStart()) {
          depth++;
        } else if (token.isStructEnd() && --depth == 0) {
          int end = from + (int) parser.currentLocation().getCharOffset();
          String around = text.substring(0, from) + " " + text.substring(end);
          return found.fields.isEmpty()
              ? Optional.empty()
              : Optional.of(new LooseJson(found.fields, around, List.of()));
        }
      }
    } catch (JacksonException e) {
      // What it is instead is found by the names of the fields.
    }
    return Optional.empty();
  }

  private static String lines(JsonParser parser, Field field) {
    List<String> lines = new ArrayList<>();
    int depth = 1;
    while (depth > 0) {
      JsonToken token = parser.nextToken();
      if (token == null) {
        break;
      }
      depth += token.isStructStart() ? 1 : token.isStructEnd() ? -1 : 0;
      if (token.isScalarValue()) {
        lines.add(parser.getString());
      }
    }
    return joined(lines, field);
  }

  private static String joined(List<String> lines, Field field) {
    return String.join(
        switch (field) {
          case TAGS -> ", ";
          case DESCRIPTION -> "\n\n";
          default -> "\n";
        },
        lines);
  }

  /** What stands behind the names of known fields, wherever it ends. */
  private static LooseJson byNames(String text) {
    Found found = new Found();
    List<String> notes =
        new ArrayList<>(
            List.of("The answer’s JSON is broken; it was read by the names of its fields."));
    Matcher property = PROPERTY.matcher(text);
    int begin = text.indexOf('{');
    int at = 0;
    int end = 0;
    boolean isCut = false;
    while (!isCut && property.find(at)) {
      at = property.end();
      String name = property.group("name");
      Optional<Field> field = FieldNames.field(name);
      if (field.isEmpty() || at >= text.length()) {
        continue;
      }
      char opens = text.charAt(at);
      if (opens == '"') {
        Matcher close = END_OF_STRING.matcher(text);
        if (close.find(at + 1)) {
          found.put(name, StringEscapeUtils.unescapeJson(text.substring(at + 1, close.start())));
          at = close.start() + 1;
          end = close.end();
        } else {
          isCut = true;
        }
      } else if (opens == '[') {
        int close = text.indexOf(']', at);
        if (close > 0) {
          List<String> items = new ArrayList<>();
          Matcher item = ITEM.matcher(text.substring(at, close));
          while (item.find()) {
            items.add(StringEscapeUtils.unescapeJson(item.group(1)));
          }
          found.put(name, joined(items, field.get()));
          at = close;
          end = close + 1;
        } else {
          isCut = true;
        }
      }
    }
    if (isCut) {
      notes.add("“%s” breaks off, so it was left out.".formatted(property.group("name")));
    }
    if (found.fields.isEmpty()) {
      return NONE;
    }
    boolean isClosed = !isCut && text.charAt(end - 1) == '}';
    String before = begin < 0 ? "" : text.substring(0, begin);
    return new LooseJson(found.fields, before + (isClosed ? " " + text.substring(end) : ""), notes);
  }
}
