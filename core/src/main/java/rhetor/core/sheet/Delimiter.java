package rhetor.core.sheet;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * The character between a sheet's cells: the one that cuts its first rows into most even pieces.
 */
record Delimiter(char character, String lineEnding, String evidence) {
  private static final char[] CANDIDATES = {',', ';', '\t', '|'};
  private static final int SAMPLE = 256 * 1024;
  private static final int ROWS = 60;

  static Delimiter detect(Path file, Encoding encoding) throws IOException {
    String sample;
    try (Reader in = new InputStreamReader(Files.newInputStream(file), encoding.charset())) {
      char[] buffer = new char[SAMPLE];
      int length = 0;
      int read;
      while (length < SAMPLE && (read = in.read(buffer, length, SAMPLE - length)) > 0) {
        length += read;
      }
      sample = new String(buffer, 0, length);
    }
    String ending = ending(sample);
    char best = ',';
    int bestWidth = 1;
    double bestScore = 0;
    for (char candidate : CANDIDATES) {
      List<Integer> widths = widths(sample, candidate, ending);
      int heading = widths.getFirst();
      double even = widths.stream().filter(w -> w == heading).count() / (double) widths.size();
      double score = heading < 2 ? 0 : even * even * Math.log(heading);
      if (score > bestScore) {
        best = candidate;
        bestWidth = heading;
        bestScore = score;
      }
    }
    return new Delimiter(
        best,
        ending,
        bestWidth == 1
            ? "One column."
            : name(best) + " cut the first rows into " + bestWidth + " cells each.");
  }

  /** What ends most rows; what stands in quotes ends none. */
  private static String ending(String sample) {
    int both = 0;
    int feeds = 0;
    int returns = 0;
    boolean quoted = false;
    for (int i = 0; i < sample.length(); i++) {
      char c = sample.charAt(i);
      boolean returned = i > 0 && sample.charAt(i - 1) == '\r';
      quoted ^= c == '"';
      if (!quoted && c == '\n') {
        both += returned ? 1 : 0;
        feeds += returned ? 0 : 1;
      } else if (!quoted && c == '\r') {
        returns++;
      }
    }
    returns -= both;
    return returns > both + feeds ? "\r" : both > feeds ? "\r\n" : "\n";
  }

  /** The delimiter's name at the start of a sentence, in the plural. */
  static String name(char delimiter) {
    return switch (delimiter) {
      case ',' -> "Commas";
      case ';' -> "Semicolons";
      case '\t' -> "Tabs";
      case '|' -> "Pipes";
      default -> "The characters \"" + delimiter + "\"";
    };
  }

  private static List<Integer> widths(String sample, char delimiter, String ending) {
    List<Integer> widths = new ArrayList<>();
    int width = 1;
    boolean quoted = false;
    boolean blank = true;
    for (int i = 0; i < sample.length() && widths.size() < ROWS; i++) {
      char c = sample.charAt(i);
      if (c == '"') {
        quoted = !quoted;
      } else if (!quoted && c == delimiter) {
        width++;
      } else if (!quoted && (c == '\n' || c == '\r' && ending.equals("\r"))) {
        if (!blank) {
          widths.add(width);
        }
        width = 1;
        blank = true;
        continue;
      }
      blank &= Character.isWhitespace(c);
    }
    if (widths.isEmpty() || sample.length() < SAMPLE && !blank && widths.size() < ROWS) {
      widths.add(width);
    }
    return widths;
  }
}
