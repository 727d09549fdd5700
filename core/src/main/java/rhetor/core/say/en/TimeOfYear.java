package rhetor.core.say.en;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Puts months and seasons, as sheets write them, into words. */
public final class TimeOfYear {
  private static final Pattern MONTHS =
      Pattern.compile("(?i)(jan|feb|mar|apr|may|jun|jul|aug|sep|sept|oct|nov|dec)[a-z]*\\.?");
  private static final List<String> MONTH_NAMES =
      List.of(
          "January",
          "February",
          "March",
          "April",
          "May",
          "June",
          "July",
          "August",
          "September",
          "October",
          "November",
          "December");
  private static final Pattern ALL_YEAR =
      Pattern.compile("(?i)all[ -]year(?:[ -]round)?|year[ -]round|every month");
  private static final Set<String> SEASONS = Set.of("spring", "summer", "autumn", "winter");

  private TimeOfYear() {}

  /** "Mar - May" as "March to May"; null if it isn't a time of the year. */
  public static String span(String words) {
    List<String> spans = List.of(words.strip().split("\\s*(?:\\bor\\b|\\band\\b|[,;/&])\\s*"));
    if (spans.size() > 1) {
      List<String> each = spans.stream().map(TimeOfYear::span).toList();
      return each.contains(null)
          ? null
          : String.join(words.matches(".*\\bor\\b.*") ? " or " : " and ", each);
    }
    String[] ends =
        words.strip().split("\\s*(?:(?<!\\b[Mm]id)-|–|—|\\bto\\b|\\bthrough\\b|\\bbis\\b)\\s*");
    if (ends.length > 2) {
      return null;
    }
    String first = time(ends[0]);
    String last = ends.length == 2 ? time(ends[1]) : null;
    return first == null || ends.length == 2 && last == null
        ? null
        : ends.length == 2 ? first + " to " + last : first;
  }

  private static String time(String word) {
    String lower = word.strip().toLowerCase(Locale.ROOT);
    String early =
        lower.startsWith("early ")
            ? "early "
            : lower.startsWith("late ")
                ? "late "
                : lower.startsWith("mid ") || lower.startsWith("mid-") ? "mid-" : "";
    String rest = lower.replaceFirst("^(early|late|mid)[ -]", "");
    if (SEASONS.contains(rest)) {
      return early + rest;
    }
    if (MONTHS.matcher(rest).matches()) {
      String start = rest.substring(0, 3);
      return early
          + MONTH_NAMES.stream()
              .filter(n -> n.toLowerCase(Locale.ROOT).startsWith(start))
              .findFirst()
              .orElseThrow();
    }
    return null;
  }

  /** "From March to May", "in May and in July", "all year round"; null if it is no such time. */
  public static String when(String words) {
    if (ALL_YEAR.matcher(words).matches()) {
      return "all year round";
    }
    String span = span(words);
    return span == null
        ? null
        : Arrays.stream(span.split("(?<= or )|(?<= and )"))
            .map(s -> (s.contains(" to ") ? "from " : "in ") + s)
            .collect(Collectors.joining());
  }
}
