package rhetor.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import rhetor.core.check.Checker;
import rhetor.core.check.LikeTexts;

/** Finding the most like of 100,000 texts, against comparing with each of them. */
final class LikeBench {
  private static final int TEXTS = 100_000;
  private static final int WORDS = 60;
  private static final int VOCABULARY = 4_000;
  private static final int ASKED = 40;

  private LikeBench() {}

  static void run() throws IOException {
    Random random = new Random(7);
    List<String> texts = new ArrayList<>(TEXTS);
    for (int i = 0; i < TEXTS; i++) {
      texts.add(text(random, WORDS));
    }
    // Texts that share about half of their runs with one of them.
    List<String> asked = new ArrayList<>();
    List<Integer> copied = new ArrayList<>();
    for (int i = 0; i < ASKED; i++) {
      int of = random.nextInt(TEXTS);
      copied.add(of);
      String[] words = texts.get(of).split(" ");
      asked.add(
          String.join(" ", List.of(words).subList(0, WORDS / 2)) + " " + text(random, WORDS / 2));
    }
    LikeTexts like = new LikeTexts();
    long start = System.nanoTime();
    double heap =
        Bench.peakHeap(
            () -> {
              for (int i = 0; i < TEXTS; i++) {
                like.put(i + 1, texts.get(i));
              }
            });
    System.out.printf(
        Locale.ROOT,
        "like texts=%d indexed-ms=%.0f peak-heap-mb=%.0f%n",
        TEXTS,
        (System.nanoTime() - start) / 1e6,
        heap);
    int[] found = new int[1];
    double ours =
        Bench.millis(
            2,
            3,
            () -> {
              found[0] = 0;
              for (int i = 0; i < ASKED; i++) {
                int of = copied.get(i) + 1;
                found[0] +=
                    like.nearest(asked.get(i), 0).filter(n -> n.id() == of).isPresent() ? 1 : 0;
              }
            });
    double each =
        Bench.millis(
            0,
            1,
            () -> {
              double most = 0;
              for (String text : texts) {
                most = Math.max(most, Checker.likeness(asked.getFirst(), text));
              }
              if (most < 0.3) {
                throw new IllegalStateException("the copied text was not found");
              }
            });
    System.out.printf(Locale.ROOT, "like found=%d of %d%n", found[0], ASKED);
    Bench.print("like-one-of-" + TEXTS, "ms", ours / ASKED, each);
  }

  private static String text(Random random, int words) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < words; i++) {
      text.append(i == 0 ? "" : " ").append("w").append(random.nextInt(VOCABULARY));
    }
    return text.toString();
  }
}
