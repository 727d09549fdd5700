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
    char best = ',';
    int bestWidth = 1;
    double bestScore = 0;
    for (char candidate : CANDIDATES) {
      List<Integer> widths = widths(sample, candidate);
      int heading = widths.getFirst();
      double even = widths.stream().filter(w -> w == heading).count() / (double) widths.size();
      double score = heading < 2 ? 0 : even * even * Math.log(heading);
      if (score > bestScore) {
        best = candidate;
        bestWidth = heading;
        bestScore = score;
      }
    }
    String ending =
        sample.contains("\r\n")
            ? "\r\n"
            : sample.contains("\n") ? "\n" : sample.contains("\r") ? "\r" : "\n";
    return new Delimiter(
        best,
        ending,
        bestWidth == 1
            ? "One column."
            : name(best) + " cut the first rows into " + bestWidth + " cells each.");
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

  private static List<Integer> widths(String sample, char delimiter) {
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
      } else if (!quoted && (c == '\n' || c == '\r')) {
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
