package rhetor.standins.model;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.json.JsonMapper;

/**
 * Says how a shop would tell what stands under a heading, with a text model's habits: mostly well,
 * sometimes with an invented property, markup, the value twice, or chatter around it.
 */
final class Phraser {
  private static final Pattern HEADING = Pattern.compile("(?m)^Heading: (.+)$");
  private static final Pattern VALUES = Pattern.compile("(?m)^Values: (.+)$");
  private static final Pattern LAST_WORD = Pattern.compile("(\\p{L}+)\\W*$");

  /** What it has read a thousand times, by the last word of a heading. */
  private static final Map<String, List<String>> WELL_SAID = new LinkedHashMap<>();

  static {
    said("mount", "It mounts on {v}.", "It goes on {v}.");
    said("mounting", "It mounts on {v}.", "It goes on {v}.");
    said("fixing", "It is held by {v}.", "It is fixed with {v}.");
    said("fits", "It fits {v}.");
    said("closure", "It closes with {v}.");
    said("opening", "It opens with {v}.");
    said("seat", "It seats {v}.");
    said("switch", "It is switched by {v}.");
    said("beam", "It throws {v}.");
    said("cut", "It is cut {v}.");
    said("shackle", "It locks with {v}.");
    said("bracket", "It is carried in {v}.");
    said("teat", "It is drunk from through {v}.");
    said("tone", "It sounds {v}.", "It rings {v}.");
    said("made", "It is made in {v}.");
    said("origin", "It comes from {v}.");
    said("pattern", "It shows {v}.");
    said("base", "It stands on {v}.");
    said("finish", "It is finished in {v}.");
    said("fill", "It is filled with {v}.");
    said("wash", "It is washed at {v}.");
    said("lead", "It is led by {v}.");
    said("start", "It starts at {v}.");
    said("meeting", "It meets at {v}.");
    said("body", "It has a body of {v}.", "Its body is made of {v}.");
    said("breed", "It is meant for {v} breeds.");
    said("size", "It is meant for {v} sizes.");
    said("header", "It hangs from {v}.");
    said("heading", "It hangs from {v}.");
    said("lining", "It is lined with {v}.");
    said("rind", "It ripens under {v}.");
    said("milk", "It is made from {v} milk.");
    said("texture", "It is {v} to the bite.");
    said("taste", "It tastes of {v}.");
    said("composition", "It is made of {v}.");
    said("top", "It has a top of {v}.");
    said("frame", "It has a frame of {v}.");
    said("drop", "It drops {v}.");
    said("protein", "It gets its protein from {v}.");
    said("source", "It draws on {v}.");
    said("kibble", "It comes as {v}.");
    said("spool", "It has a spool of {v}.");
    said("buckle", "It fastens with {v}.");
    said("neck", "It closes at the neck with {v}.");
  }

  private final JsonMapper json = JsonMapper.builder().build();

  private static void said(String word, String... sentences) {
    WELL_SAID.put(word, List.of(sentences));
  }

  /** Whether a prompt asks how a heading is told. */
  static boolean isAsked(String prompt) {
    return HEADING.matcher(prompt).find() && VALUES.matcher(prompt).find();
  }

  String answer(String prompt) {
    Matcher heading = HEADING.matcher(prompt);
    heading.find();
    int mood = prompt.hashCode() & Integer.MAX_VALUE;
    String about = heading.group(1).toLowerCase(Locale.ROOT);
    List<String> wordings = new ArrayList<>(wordings(about));
    switch (mood % 5) {
      case 0 -> wordings.add("It is made of titanium and has {v}.");
      case 1 -> wordings.add("It <b>has</b> {v}.");
      case 2 -> wordings.add("It has {v} and again {v}.");
      default -> {}
    }
    String answer =
        json.writeValueAsString(
            Map.of("wordings", wordings, "good_for", "what to expect of its " + about));
    return switch (mood % 3) {
      case 0 -> "Of course! Here you go:\n```json\n" + answer + "\n```\nShall I go on?";
      case 1 -> answer.substring(0, answer.length() - 1);
      default -> answer;
    };
  }

  private static List<String> wordings(String heading) {
    Matcher last = LAST_WORD.matcher(heading);
    List<String> known = last.find() ? WELL_SAID.get(last.group(1)) : null;
    return known != null ? known : List.of("It has {v}.", "It offers {v}.");
  }
}
