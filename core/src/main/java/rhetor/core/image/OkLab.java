package rhetor.core.image;

/**
 * The OKLab colour space, in which distances are what an eye sees (Björn Ottosson, A perceptual
 * color space for image processing, 2020).
 *
 * @param l lightness, 0 to 1
 * @param a green to red
 * @param b blue to yellow
 */
record OkLab(double l, double a, double b) {
  private static final double[] LINEAR = new double[256];

  static {
    for (int i = 0; i < 256; i++) {
      double c = i / 255.0;
      LINEAR[i] = c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }
  }

  /** From sRGB, as {@code 0xRRGGBB}. */
  static OkLab of(int rgb) {
    double r = LINEAR[rgb >> 16 & 0xFF];
    double g = LINEAR[rgb >> 8 & 0xFF];
    double b = LINEAR[rgb & 0xFF];
    double l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
    double m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
    double s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
    return new OkLab(
        0.2104542553 * l + 0.7936177850 * m - 0.0040720468 * s,
        1.9779984951 * l - 2.4285922050 * m + 0.4505937099 * s,
        0.0259040371 * l + 0.7827717662 * m - 0.8086757660 * s);
  }

  double chroma() {
    return Math.hypot(a, b);
  }

  double distance(OkLab other) {
    double dl = l - other.l;
    double da = a - other.a;
    double db = b - other.b;
    return Math.sqrt(dl * dl + da * da + db * db);
  }
}
