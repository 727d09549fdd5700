package rhetor.app.style;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rhetor.app.web.Refused;
import rhetor.core.style.BannedWord;
import rhetor.core.style.Field;
import rhetor.core.style.Length;
import rhetor.core.style.Spelling;
import rhetor.core.style.Structure;
import rhetor.core.style.StyleLayer;
import rhetor.core.style.TitleForm;
import rhetor.core.style.Tuning;

/**
 * What a part of the house decides otherwise, as it is shown and sent; see {@link StyleLayer}. What
 * it leaves to the house is empty or missing.
 */
public record LayerBody(
    @NotNull String voice,
    Tuning tuning,
    @NotNull String audience,
    @NotNull List<@Valid BannedWord> banned,
    @NotNull List<String> required,
    List<String> supporting,
    @NotNull List<String> notInTitles,
    @NotNull List<String> always,
    List<String> special,
    Spelling spelling,
    Boolean emoji,
    Boolean exclamations,
    TitleForm titles,
    Structure structure,
    @NotNull Map<String, Length> lengths,
    @NotNull List<String> instructions) {
  public static LayerBody of(StyleLayer l) {
    return new LayerBody(
        l.voice(),
        l.tuning().orElse(null),
        l.audience(),
        l.banned(),
        l.required(),
        l.supporting(),
        l.notInTitles(),
        l.always(),
        l.special(),
        l.spelling().orElse(null),
        l.emoji().orElse(null),
        l.exclamations().orElse(null),
        l.titles().orElse(null),
        l.structure().orElse(null),
        byCode(l.lengths()),
        l.instructions());
  }

  public StyleLayer layer() {
    return new StyleLayer(
        voice,
        Optional.ofNullable(tuning),
        audience,
        banned,
        required,
        supporting,
        notInTitles,
        always,
        special,
        Optional.ofNullable(spelling),
        Optional.ofNullable(emoji),
        Optional.ofNullable(exclamations),
        Optional.ofNullable(titles),
        Optional.ofNullable(structure),
        byField(lengths),
        instructions);
  }

  static Map<String, Length> byCode(Map<Field, Length> lengths) {
    Map<String, Length> codes = new LinkedHashMap<>();
    for (Field field : Field.values()) {
      if (lengths.containsKey(field)) {
        codes.put(field.code(), lengths.get(field));
      }
    }
    return codes;
  }

  static Map<Field, Length> byField(Map<String, Length> codes) {
    Map<Field, Length> lengths = new EnumMap<>(Field.class);
    codes.forEach(
        (code, length) -> {
          try {
            lengths.put(Field.parse(code), length);
          } catch (IllegalArgumentException e) {
            throw Refused.invalid("There is no field called " + code + ".");
          }
        });
    return lengths;
  }
}
