package rhetor.standins.model;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;

/**
 * Writes shop texts from the facts that stand in a prompt, in a text model's manner: fluent, never
 * quite the same, and now and then with something that no fact bears out.
 */
final class Copywriter {
  private static final Pattern PRODUCT = Pattern.compile("(?m)^Product: (.+?)(?: by (.+))?$");
  private static final Pattern KIND = Pattern.compile("(?m)^It is an? (.+)\\.$");
  private static final Pattern KEYWORD = Pattern.compile("found by \"(.+?)\"");
  private static final Pattern FACT = Pattern.compile("(?m)^- (\\p{L}[^:\n]{1,60}): (.+)$");
  private static final Pattern LENGTH =
      Pattern.compile("(?m)^- (\\w+): (?:(\\d+) to (\\d+) characters)?.*$");

  private static final int USUAL_MOST = 150;

  /** What a fact is told by, by words of its heading; %s is the value. */
  private static final Map<Pattern, List<String>> TOLD = new LinkedHashMap<>();

  static {
    told("material|fabric|made of", "It is made of %s.", "The material is %s.");
    told("weight", "It weighs %s.", "It comes to %s on the scales.");
    told("capacity|volume", "It holds %s.", "There is room for %s.");
    told("colour|color", "It comes in %s.", "The colour is %s.");
    told("dimension|size|length|width|height", "It measures %s.");
    told("closure|fastening", "It closes with %s.");
    told("pockets", "The number of pockets is %s.");
    told("battery life|run ?time|burn time", "It lasts %s.");
  }

  /** What is true of no product in particular, one or two of each kind that shops are held to. */
  static final List<String> INVENTED =
      List.of(
          "It comes with a lifetime guarantee.",
          "The frame is made of titanium.",
          "It weighs only 137 g.",
          "Nothing on the market lasts longer.",
          "It was awarded the Red Anvil design prize.",
          "It is made by hand in Portugal.",
          "It carries the OEKO-TEX certificate.",
          "It relieves back pain.",
          "It is fully biodegradable.",
          "A carrying case is included.",
          "It fits every model on the market.",
          "It is waterproof to 50 metres.",
          "It also comes in crimson.",
          "It is lighter than any other.",
          "Delivery is free within two days.",
          "Nine out of ten customers recommend it.",
          "It was developed by Harlan Voss.",
          "It is suitable for children from three years.",
          "It is dishwasher safe.",
          "It withstands temperatures down to −40 °C.",
          "It contains no harmful substances.",
          "It was tested by an independent laboratory.");

  private final String name;
  private final String brand;
  private final String kind;
  private final String keyword;
  private final Map<String, String> facts = new LinkedHashMap<>();
  private final Map<String, Integer> most = new LinkedHashMap<>();
  private final RandomGenerator mood;

  /** Reads a prompt; the same prompt and mood give the same texts. */
  Copywriter(String prompt, RandomGenerator mood) {
    Matcher product = PRODUCT.matcher(prompt);
    product.find();
    this.name = product.group(1);
    this.brand = product.group(2) == null ? "" : product.group(2);
    this.kind = first(KIND, prompt);
    this.keyword = first(KEYWORD, prompt);
    this.mood = mood;
    Matcher length = LENGTH.matcher(prompt);
    while (length.find()) {
      if (length.group(3) != null) {
        most.put(length.group(1), Integer.parseInt(length.group(3)));
      }
    }
    Matcher fact = FACT.matcher(prompt);
    while (fact.find()) {
      if (!most.containsKey(fact.group(1))) {
        facts.put(fact.group(1), fact.group(2));
      }
    }
  }

  /** Whether a prompt asks for a product's texts. */
  static boolean isAsked(String prompt) {
    return PRODUCT.matcher(prompt).find();
  }

  private static void told(String heading, String... sentences) {
    TOLD.put(Pattern.compile("(?i)\\b(?:" + heading + ")\\b"), List.of(sentences));
  }

  private static String first(Pattern pattern, String text) {
    Matcher found = pattern.matcher(text);
    return found.find() ? found.group(1) : "";
  }

  /**
   * The texts by the names of their fields.
   *
   * @param invented what else is said in the description; empty for nothing
   */
  Map<String, Object> texts(String invented) {
    List<String> sentences = new ArrayList<>();
    List<String> listed = new ArrayList<>();
    facts.forEach(
        (heading, value) ->
            TOLD.entrySet().stream()
                .filter(t -> t.getKey().matcher(heading).find())
                .findFirst()
                .ifPresentOrElse(
                    t -> sentences.add(any(t.getValue()).formatted(value)),
                    () -> listed.add(heading + ": " + value)));
    if (!invented.isEmpty()) {
      sentences.add(mood.nextInt(sentences.size() + 1), invented);
    }
    String opening = opening();
    StringBuilder html = new StringBuilder("<p>" + opening);
    int half = Math.min(sentences.size(), 1 + mood.nextInt(3));
    sentences.subList(0, half).forEach(s -> html.append(' ').append(s));
    html.append("</p>\n");
    if (sentences.size() > half) {
      html.append("<p>")
          .append(String.join(" ", sentences.subList(half, sentences.size())))
          .append("</p>\n");
    }
    if (!listed.isEmpty()) {
      html.append("<h3>").append(any(List.of("Details", "At a glance", "Facts"))).append("</h3>\n");
      html.append("<ul>");
      listed.forEach(l -> html.append("<li>").append(l).append("</li>"));
      html.append("</ul>");
    }
    String title = fit("title", name + (called().isEmpty() ? "" : ", " + called()), name);
    String told = sentences.isEmpty() || !invented.isEmpty() ? "" : " " + sentences.getFirst();
    Map<String, Object> texts = new LinkedHashMap<>();
    texts.put("title", title);
    texts.put("short_description", fit("short_description", opening + told, opening));
    texts.put("description", html.toString());
    texts.put("meta_title", fit("meta_title", title, name));
    texts.put("meta_description", fit("meta_description", opening + told, opening));
    texts.put("tags", tags());
    texts.put(
        "image_alt", fit("image_alt", name + (kind.isEmpty() ? "" : ", " + article(kind)), name));
    return texts;
  }

  private List<String> tags() {
    List<String> tags = new ArrayList<>();
    if (!kind.isEmpty()) {
      tags.add(kind.toLowerCase(Locale.ROOT));
    }
    if (!brand.isEmpty()) {
      tags.add(brand);
    }
    return tags.isEmpty() ? List.of(name) : tags;
  }

  /** What shoppers look for, else the kind. */
  private String called() {
    return keyword.isEmpty() ? kind : keyword;
  }

  private String opening() {
    String by = brand.isEmpty() ? "" : " by " + brand;
    if (called().isEmpty()) {
      return any(List.of("This is the %s%s.", "Say hello to the %s%s.")).formatted(name, by);
    }
    String what = article(called());
    return switch (mood.nextInt(4)) {
      case 0 -> "The %s%s is %s.".formatted(name, by, what);
      case 1 -> "Meet the %s, %s%s.".formatted(name, what, by);
      case 2 -> "Here is %s%s: the %s.".formatted(what, by, name);
      default -> "Looking for %s? Take a look at the %s%s.".formatted(what, name, by);
    };
  }

  private static String article(String noun) {
    return English.isPlural(noun) ? noun : English.withArticle(noun);
  }

  private String fit(String field, String text, String shorter) {
    return text.length() <= most.getOrDefault(field, USUAL_MOST) ? text : shorter;
  }

  private String any(List<String> some) {
    return some.get(mood.nextInt(some.size()));
  }
}
