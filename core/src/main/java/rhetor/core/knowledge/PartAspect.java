package rhetor.core.knowledge;

import java.util.Locale;

/**
 * What a sheet may say of a part of a thing: of what, how many, how large, whether at all, or in
 * each row another of these.
 */
public enum PartAspect {
  MATERIAL,
  COUNT,
  FITTED,
  LENGTH,
  WIDTH,
  HEIGHT,
  DEPTH,
  THICKNESS,
  DIAMETER,
  CAPACITY,
  LIKE;

  /** What the ids of concepts of parts begin with. */
  static final String PART = "part_";

  /** What the ids of concepts begin with that say this of a part. */
  String start() {
    return PART + name().toLowerCase(Locale.ROOT) + "_";
  }
}
