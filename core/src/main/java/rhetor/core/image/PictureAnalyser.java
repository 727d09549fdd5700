package rhetor.core.image;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rhetor.core.image.PictureAnalysis.Background;

/** Computes what a picture shows: colours, background, framing, sharpness and likeness. */
public final class PictureAnalyser {
  /** The longer side of the copy that is looked at. */
  private static final int SIDE = 200;

  private static final int CLUSTERS = 6;
  private static final int ROUNDS = 12;

  /** Distances in OKLab: what belongs to a background, and what is one colour. */
  private static final double SAME_AS_BACKGROUND = 0.07;

  private static final double SPREAD_OF_PLAIN = 0.035;
  private static final double WHITE_FROM = 0.955;
  private static final double GREY_UNTIL = 0.02;
  private static final double LEAST_SHARE = 0.12;
  private static final int MOST_COLOURS = 3;

  private final Palette palette = new Palette();

  /** Analyses a picture; the same picture always gives the same. */
  public PictureAnalysis analyse(Picture picture) {
    Small small = Small.of(picture.pixels());
    OkLab[] lab = new OkLab[small.rgb.length];
    for (int i = 0; i < lab.length; i++) {
      lab[i] = OkLab.of(small.rgb[i] & 0xFFFFFF);
    }
    Ground ground = ground(small, lab);
    boolean[] subject = subject(small, lab, ground);
    int[] box = box(small, subject);
    double boxShare =
        box == null ? 0 : (double) (box[2] - box[0] + 1) * (box[3] - box[1] + 1) / small.rgb.length;
    double off =
        box == null
            ? 0
            : Math.hypot(
                (box[0] + box[2] + 1) / 2.0 / small.width - 0.5,
                (box[1] + box[3] + 1) / 2.0 / small.height - 0.5);
    return new PictureAnalysis(
        picture.width(),
        picture.height(),
        picture.format(),
        colours(small, lab, subject),
        ground.kind,
        ground.kind == Background.PLAIN ? palette.name(ground.colour) : "",
        round(boxShare),
        round(off),
        round(sharpness(picture.pixels(), small, box)),
        hash(small, lab),
        picture.words(),
        picture.notes());
  }

  private static double round(double value) {
    return Math.round(value * 1000) / 1000.0;
  }

  /** A small copy, each pixel the mean of what it covers. */
  private record Small(int width, int height, int[] rgb, boolean[] clear) {
    static Small of(BufferedImage image) {
      double scale = Math.min(1, (double) SIDE / Math.max(image.getWidth(), image.getHeight()));
      int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
      int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
      int[] rgb = new int[width * height];
      boolean[] clear = new boolean[width * height];
      boolean alpha = image.getColorModel().hasAlpha();
      int[] xOf = new int[image.getWidth()];
      for (int sx = 0; sx < xOf.length; sx++) {
        xOf[sx] = Math.min(width - 1, (int) ((long) sx * width / xOf.length));
      }
      // A few rows of each band are enough for a mean, and reading them all costs more than
      // decoding.
      for (int y = 0; y < height; y++) {
        int top = y * image.getHeight() / height;
        int bottom = Math.max(top + 1, (y + 1) * image.getHeight() / height);
        int rowStep = Math.max(1, (bottom - top) / 3);
        long[] r = new long[width];
        long[] g = new long[width];
        long[] b = new long[width];
        int[] n = new int[width];
        int[] seen = new int[width];
        int[] row = new int[image.getWidth()];
        for (int sy = top; sy < bottom; sy += rowStep) {
          PixelRow.read(image, 0, sy, row);
          for (int sx = 0; sx < row.length; sx++) {
            int x = xOf[sx];
            seen[x]++;
            if (!alpha || row[sx] >>> 24 > 127) {
              r[x] += row[sx] >> 16 & 0xFF;
              g[x] += row[sx] >> 8 & 0xFF;
              b[x] += row[sx] & 0xFF;
              n[x]++;
            }
          }
        }
        for (int x = 0; x < width; x++) {
          int at = y * width + x;
          clear[at] = n[x] * 2 < seen[x];
          int count = Math.max(1, n[x]);
          rgb[at] = (int) (r[x] / count) << 16 | (int) (g[x] / count) << 8 | (int) (b[x] / count);
        }
      }
      return new Small(width, height, rgb, clear);
    }
  }

  private record Ground(Background kind, OkLab colour) {}

  /** The background by what stands along the picture's edges. */
  private static Ground ground(Small small, OkLab[] lab) {
    List<OkLab> edge = new ArrayList<>();
    int clear = 0;
    int count = 0;
    int depth = Math.max(1, Math.min(small.width, small.height) / 40);
    for (int y = 0; y < small.height; y++) {
      for (int x = 0; x < small.width; x++) {
        boolean atEdge =
            x < depth || y < depth || x >= small.width - depth || y >= small.height - depth;
        if (atEdge) {
          count++;
          if (small.clear[y * small.width + x]) {
            clear++;
          } else {
            edge.add(lab[y * small.width + x]);
          }
        }
      }
    }
    if (clear * 2 > count) {
      return new Ground(Background.TRANSPARENT, new OkLab(1, 0, 0));
    }
    OkLab middle = new OkLab(median(edge, 0), median(edge, 1), median(edge, 2));
    double[] distances = edge.stream().mapToDouble(e -> e.distance(middle)).sorted().toArray();
    // Four fifths of the edge decide: a subject may touch it somewhere.
    double spread = distances[distances.length * 4 / 5];
    if (spread > SPREAD_OF_PLAIN) {
      return new Ground(Background.SCENE, middle);
    }
    boolean white = middle.l() >= WHITE_FROM && middle.chroma() <= GREY_UNTIL;
    return new Ground(white ? Background.WHITE : Background.PLAIN, middle);
  }

  private static double median(List<OkLab> colours, int channel) {
    double[] values =
        colours.stream()
            .mapToDouble(c -> channel == 0 ? c.l() : channel == 1 ? c.a() : c.b())
            .sorted()
            .toArray();
    return values[values.length / 2];
  }

  /** What is not background; of a scene, its middle. */
  private static boolean[] subject(Small small, OkLab[] lab, Ground ground) {
    boolean[] subject = new boolean[lab.length];
    for (int i = 0; i < lab.length; i++) {
      int x = i % small.width;
      int y = i / small.width;
      subject[i] =
          !small.clear[i]
              && switch (ground.kind) {
                case TRANSPARENT -> true;
                case WHITE, PLAIN -> lab[i].distance(ground.colour) > SAME_AS_BACKGROUND;
                case SCENE ->
                    Math.abs(x - small.width / 2) < small.width / 3
                        && Math.abs(y - small.height / 2) < small.height / 3;
              };
    }
    return subject;
  }

  private static int[] box(Small small, boolean[] subject) {
    int[] box = null;
    for (int i = 0; i < subject.length; i++) {
      if (subject[i]) {
        int x = i % small.width;
        int y = i / small.width;
        if (box == null) {
          box = new int[] {x, y, x, y};
        }
        box[0] = Math.min(box[0], x);
        box[1] = Math.min(box[1], y);
        box[2] = Math.max(box[2], x);
        box[3] = Math.max(box[3], y);
      }
    }
    return box;
  }

  /**
   * The subject's colours by k-means (Lloyd 1982) in OKLab, begun at the quantiles of lightness.
   */
  private List<NamedColour> colours(Small small, OkLab[] lab, boolean[] subject) {
    List<Integer> points = new ArrayList<>();
    for (int i = 0; i < lab.length; i++) {
      if (subject[i]) {
        points.add(i);
      }
    }
    if (points.isEmpty()) {
      return List.of();
    }
    points.sort((p, q) -> Double.compare(lab[p].l(), lab[q].l()));
    OkLab[] centres = new OkLab[Math.min(CLUSTERS, points.size())];
    for (int c = 0; c < centres.length; c++) {
      centres[c] = lab[points.get((2 * c + 1) * points.size() / (2 * centres.length))];
    }
    int[] owner = new int[points.size()];
    for (int round = 0; round < ROUNDS; round++) {
      double[][] sums = new double[centres.length][4];
      boolean moved = false;
      for (int i = 0; i < owner.length; i++) {
        OkLab colour = lab[points.get(i)];
        int best = nearest(centres, colour);
        moved |= owner[i] != best;
        owner[i] = best;
        sums[best][0] += colour.l();
        sums[best][1] += colour.a();
        sums[best][2] += colour.b();
        sums[best][3]++;
      }
      for (int c = 0; c < centres.length; c++) {
        if (sums[c][3] > 0) {
          centres[c] =
              new OkLab(sums[c][0] / sums[c][3], sums[c][1] / sums[c][3], sums[c][2] / sums[c][3]);
        }
      }
      if (round > 0 && !moved) {
        break;
      }
    }
    return named(small, points, owner, centres);
  }

  private static int nearest(OkLab[] centres, OkLab colour) {
    int best = 0;
    for (int c = 1; c < centres.length; c++) {
      if (colour.distance(centres[c]) < colour.distance(centres[best])) {
        best = c;
      }
    }
    return best;
  }

  private List<NamedColour> named(Small small, List<Integer> points, int[] owner, OkLab[] centres) {
    Map<String, long[]> byName = new LinkedHashMap<>();
    String[] names = Arrays.stream(centres).map(palette::name).toArray(String[]::new);
    for (int i = 0; i < owner.length; i++) {
      int rgb = small.rgb[points.get(i)];
      long[] sum = byName.computeIfAbsent(names[owner[i]], n -> new long[4]);
      sum[0] += rgb >> 16 & 0xFF;
      sum[1] += rgb >> 8 & 0xFF;
      sum[2] += rgb & 0xFF;
      sum[3]++;
    }
    return byName.entrySet().stream()
        .map(
            e -> {
              long[] s = e.getValue();
              return new NamedColour(
                  e.getKey(),
                  "#%02x%02x%02x".formatted(s[0] / s[3], s[1] / s[3], s[2] / s[3]),
                  round((double) s[3] / owner.length));
            })
        .filter(c -> c.share() >= LEAST_SHARE)
        .sorted((x, y) -> Double.compare(y.share(), x.share()))
        .limit(MOST_COLOURS)
        .toList();
  }

  /**
   * Spread of the Laplacian of lightness (Pech-Pacheco et al. 2000) over the subject at its own
   * resolution, scaled so that crisp product photos lie around 100.
   */
  private static double sharpness(BufferedImage image, Small small, int[] box) {
    if (box == null) {
      return 0;
    }
    int x0 = box[0] * image.getWidth() / small.width;
    int x1 = Math.min(image.getWidth(), (box[2] + 1) * image.getWidth() / small.width);
    int y0 = box[1] * image.getHeight() / small.height;
    int y1 = Math.min(image.getHeight(), (box[3] + 1) * image.getHeight() / small.height);
    int step = Math.max(3, (y1 - y0) / 60);
    double sum = 0;
    double squares = 0;
    int n = 0;
    int[] above = new int[x1 - x0];
    int[] row = new int[x1 - x0];
    int[] below = new int[x1 - x0];
    for (int y = y0 + 1; y + 1 < y1; y += step) {
      PixelRow.read(image, x0, y - 1, above);
      PixelRow.read(image, x0, y, row);
      PixelRow.read(image, x0, y + 1, below);
      for (int x = 1; x + 1 < row.length; x++) {
        int laplacian =
            4 * luma(row[x])
                - luma(row[x - 1])
                - luma(row[x + 1])
                - luma(above[x])
                - luma(below[x]);
        sum += laplacian;
        squares += (double) laplacian * laplacian;
        n++;
      }
    }
    return n == 0 ? 0 : Math.sqrt(Math.max(0, squares / n - sum / n * (sum / n))) * 8;
  }

  /** Lightness by ITU-R BT.601, 0 to 255. */
  private static int luma(int rgb) {
    return (299 * (rgb >> 16 & 0xFF) + 587 * (rgb >> 8 & 0xFF) + 114 * (rgb & 0xFF)) / 1000;
  }

  /**
   * A perceptual hash: signs of the 64 lowest frequencies of a 32 by 32 cosine transform against
   * their median (Zauner 2010).
   */
  private static long hash(Small small, OkLab[] lab) {
    int side = 32;
    double[][] grey = new double[side][side];
    for (int y = 0; y < side; y++) {
      for (int x = 0; x < side; x++) {
        int at = y * small.height / side * small.width + x * small.width / side;
        grey[y][x] = small.clear[at] ? 1 : lab[at].l();
      }
    }
    double[] low = new double[64];
    for (int v = 0; v < 8; v++) {
      for (int u = 0; u < 8; u++) {
        double sum = 0;
        for (int y = 0; y < side; y++) {
          for (int x = 0; x < side; x++) {
            sum += grey[y][x] * COSINE[u][x] * COSINE[v][y];
          }
        }
        low[v * 8 + u] = sum;
      }
    }
    double[] sorted = Arrays.copyOfRange(low, 1, 64);
    Arrays.sort(sorted);
    double median = sorted[sorted.length / 2];
    long hash = 0;
    for (int i = 1; i < 64; i++) {
      hash |= low[i] > median ? 1L << i : 0;
    }
    return hash;
  }

  private static final double[][] COSINE = cosines();

  private static double[][] cosines() {
    double[][] table = new double[8][32];
    for (int u = 0; u < 8; u++) {
      for (int x = 0; x < 32; x++) {
        table[u][x] = Math.cos((2 * x + 1) * u * Math.PI / 64);
      }
    }
    return table;
  }
}
