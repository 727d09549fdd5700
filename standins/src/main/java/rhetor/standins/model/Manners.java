package rhetor.standins.model;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import tools.jackson.databind.json.JsonMapper;

/** How a text model hands over what it was asked for: well, with chatter around it, or badly. */
final class Manners {
  private static final int BAD_WAYS = 11;

  private final JsonMapper json = JsonMapper.builder().build();

  /** Texts as an answer that has all of them, fenced or between words for whoever asked. */
  String well(Map<String, Object> texts, RandomGenerator mood) {
    String answer = json.writerWithDefaultPrettyPrinter().writeValueAsString(texts);
    return switch (mood.nextInt(3)) {
      case 0 ->
          "Sure! Here are the texts you asked for:\n\n```json\n%s\n```\n\nLet me know if you would like another tone."
              .formatted(answer);
      case 1 -> "```json\n" + answer + "\n```";
      default -> answer;
    };
  }

  /** Texts as an answer in which something is wrong. */
  String badly(Map<String, Object> texts, RandomGenerator mood) {
    String answer = json.writeValueAsString(texts);
    return switch (mood.nextInt(BAD_WAYS)) {
      case 0 -> "";
      case 1 -> "I’m sorry, but I can’t help with that request.";
      case 2 -> answer.substring(0, answer.length() * 2 / 3);
      case 3 -> answer.replace("\",\"", "\" \"").replace("</p>", "</p>\"quoted\"");
      case 4 ->
          json.writeValueAsString(
              Map.of("title", texts.get("title"), "description", texts.get("description")));
      case 5 -> {
        Map<String, Object> more = new LinkedHashMap<>(texts);
        more.put("reasoning", "I chose a friendly tone.");
        more.put("price", "19.99");
        yield json.writeValueAsString(more);
      }
      case 6 -> german(texts);
      case 7 -> "---\n" + headed(texts, "%s: %s\n---") + "\n***";
      case 8 -> headed(texts, "**%s**\n\n%s\n");
      case 9 -> "\"" + answer.replace("\"", "\\\"") + "\"";
      default -> "Here is a lovely text about it, I hope you like it! " + texts.get("title");
    };
  }

  private String german(Map<String, Object> texts) {
    Map<String, Object> german = new LinkedHashMap<>();
    texts.keySet().forEach(k -> german.put(k, "Ein schönes Produkt für jeden Tag."));
    german.put(
        "description",
        "<p>Dieses Produkt ist für alle, die Wert auf Qualität legen. Es wird mit großer Sorgfalt hergestellt.</p>");
    german.put("tags", List.of("schön", "neu"));
    return json.writeValueAsString(german);
  }

  private static String headed(Map<String, Object> texts, String form) {
    return texts.entrySet().stream()
        .map(
            e ->
                form.formatted(
                    e.getKey().replace('_', ' '),
                    e.getValue() instanceof List<?> list
                        ? list.stream().map(String::valueOf).collect(Collectors.joining(", "))
                        : String.valueOf(e.getValue())))
        .collect(Collectors.joining("\n"));
  }
}
