package rhetor.app.product;

import com.fasterxml.jackson.annotation.JsonFormat;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.util.List;
import org.springframework.stereotype.Component;
import rhetor.core.fact.Contradiction;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Memo;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.SerializableString;
import tools.jackson.core.io.SerializedString;
import tools.jackson.dataformat.smile.SmileMapper;

/**
 * Facts as they are stored: Smile, a binary form of JSON, with records as arrays. They are read
 * whole and never searched; so they take a third of the bytes, and a third of the time of deflating
 * them. What a fact shares with its concept, and a source with the product's first one, is left
 * out.
 */
@Component
final class StoredFacts {
  private static final SmileMapper SMILE = mapper();

  /**
   * Stands for the concept that is called like the fact, its label, the first source's sheet, the
   * column that is headed by the label, or the words that are all of the first source's cell.
   */
  private static final String SAME = "\u0001";

  /** Stands for the first source's row; rows are numbered from 1, and what has none is 0. */
  private static final int SAME_ROW = -1;

  private static final SerializableString SAME_ENCODED = new SerializedString(SAME);

  private static final SerializableString QUANTITY = new SerializedString("quantity");
  private static final SerializableString RANGE = new SerializedString("range");
  private static final SerializableString SIDES = new SerializedString("sides");
  private static final SerializableString TERMS = new SerializedString("terms");
  private static final SerializableString RATING = new SerializedString("rating");
  private static final SerializableString YESNO = new SerializedString("yesno");
  private static final SerializableString WORDS = new SerializedString("words");

  /** Ids, labels, headings and units, of which a sheet has few, as they are written. */
  private final Memo<SerializableString> encoded = new Memo<>(SerializedString::new);

  private static final Value RAW = new Value.Words(SAME);

  private static final Source NONE = new Source("", 0, "", "");

  private final Knowledge knowledge;

  StoredFacts(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  @JsonFormat(shape = JsonFormat.Shape.ARRAY)
  private interface AsArray {}

  @JsonFormat(shape = JsonFormat.Shape.ARRAY)
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, include = JsonTypeInfo.As.WRAPPER_ARRAY)
  private interface AsTypedArray {}

  /** A product as it is written: the first source's sheet and row, and facts that refer to them. */
  private record Kept(
      String sku,
      String name,
      String productClass,
      String kindNoun,
      String sheet,
      int row,
      List<Fact> facts,
      List<Contradiction> contradictions,
      String supplierText,
      String keyword,
      List<String> pictures) {}

  private ProductFacts whole(Kept kept) {
    return new ProductFacts(
        kept.sku,
        kept.name,
        kept.productClass,
        kept.kindNoun,
        kept.facts.stream().map(f -> whole(f, kept)).toList(),
        kept.contradictions.stream()
            .map(c -> new Contradiction(c.versions().stream().map(f -> whole(f, kept)).toList()))
            .toList(),
        kept.supplierText,
        kept.keyword,
        kept.pictures);
  }

  private Fact whole(Fact fact, Kept kept) {
    String concept = fact.concept().equals(SAME) ? fact.id() : fact.concept();
    String label = fact.label().equals(SAME) ? label(concept) : fact.label();
    boolean areRaw = fact.value() instanceof Value.Words(String words) && words.equals(SAME);
    return new Fact(
        fact.id(),
        concept,
        label,
        areRaw ? new Value.Words(fact.source().raw()) : fact.value(),
        fact.sources().stream()
            .map(
                s ->
                    new Source(
                        s.sheet().equals(SAME) ? kept.sheet : s.sheet(),
                        s.row() == SAME_ROW ? kept.row : s.row(),
                        s.column().equals(SAME) ? label : s.column(),
                        s.raw()))
            .toList(),
        fact.foreign());
  }

  private static SmileMapper mapper() {
    SmileMapper.Builder builder =
        SmileMapper.builder()
            .addMixIn(Kept.class, AsArray.class)
            .addMixIn(Fact.class, AsArray.class)
            .addMixIn(Source.class, AsArray.class)
            .addMixIn(Contradiction.class, AsArray.class)
            .addMixIn(Value.class, AsTypedArray.class);
    for (Class<?> kind : Value.class.getPermittedSubclasses()) {
      builder.addMixIn(kind, AsTypedArray.class);
    }
    return builder.build();
  }

  /** Writes what the mapper would, without asking each record how; intakes live on it. */
  byte[] pack(ProductFacts product) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream(1024);
    try (JsonGenerator out = SMILE.createGenerator(bytes)) {
      out.writeStartArray();
      out.writeString(product.sku());
      out.writeString(product.name());
      out.writeString(product.productClass());
      out.writeString(product.kindNoun());
      Source first = product.facts().isEmpty() ? NONE : product.facts().getFirst().source();
      out.writeString(first.sheet());
      out.writeNumber(first.row());
      out.writeStartArray();
      product.facts().forEach(f -> write(f, first, out));
      out.writeEndArray();
      out.writeStartArray();
      for (Contradiction c : product.contradictions()) {
        out.writeStartArray();
        out.writeStartArray();
        c.versions().forEach(f -> write(f, first, out));
        out.writeEndArray();
        out.writeEndArray();
      }
      out.writeEndArray();
      out.writeString(product.supplierText());
      out.writeString(product.keyword());
      out.writeStartArray();
      product.pictures().forEach(out::writeString);
      out.writeEndArray();
      out.writeEndArray();
    }
    return bytes.toByteArray();
  }

  private void write(Fact fact, Source first, JsonGenerator out) {
    out.writeStartArray();
    out.writeString(encoded.of(fact.id()));
    write(fact.concept(), fact.id(), out);
    write(fact.label(), label(fact.concept()), out);
    boolean areRaw =
        fact.value() instanceof Value.Words(String words) && words.equals(fact.source().raw());
    write(areRaw ? RAW : fact.value(), out);
    writeSources(fact, first, out);
    out.writeBoolean(fact.foreign());
    out.writeEndArray();
  }

  private String label(String concept) {
    return knowledge.concept(concept).map(Concept::label).orElse(SAME);
  }

  private void writeSources(Fact fact, Source first, JsonGenerator out) {
    out.writeStartArray();
    for (Source s : fact.sources()) {
      out.writeStartArray();
      write(s.sheet(), first.sheet(), out);
      out.writeNumber(s.row() == first.row() ? SAME_ROW : s.row());
      write(s.column(), fact.label(), out);
      out.writeString(s.raw());
      out.writeEndArray();
    }
    out.writeEndArray();
  }

  /** Writes a text, or that it is the same as one that is known. */
  private void write(String text, String known, JsonGenerator out) {
    out.writeString(text.equals(known) ? SAME_ENCODED : encoded.of(text));
  }

  private void write(Value value, JsonGenerator out) {
    out.writeStartArray();
    switch (value) {
      case Value.Quantity(BigDecimal amount, String unit, String qualifier) -> {
        out.writeString(QUANTITY);
        out.writeStartArray();
        out.writeNumber(amount);
        out.writeString(encoded.of(unit));
        out.writeString(encoded.of(qualifier));
      }
      case Value.Range(BigDecimal from, BigDecimal to, String unit) -> {
        out.writeString(RANGE);
        out.writeStartArray();
        out.writeNumber(from);
        out.writeNumber(to);
        out.writeString(encoded.of(unit));
      }
      case Value.Sides(List<BigDecimal> lengths, String unit) -> {
        out.writeString(SIDES);
        out.writeStartArray();
        out.writeStartArray();
        lengths.forEach(out::writeNumber);
        out.writeEndArray();
        out.writeString(encoded.of(unit));
      }
      case Value.Terms(List<String> items) -> {
        out.writeString(TERMS);
        out.writeStartArray();
        out.writeStartArray();
        items.forEach(out::writeString);
        out.writeEndArray();
      }
      case Value.Rating(String code) -> {
        out.writeString(RATING);
        out.writeStartArray();
        out.writeString(code);
      }
      case Value.YesNo(boolean yes) -> {
        out.writeString(YESNO);
        out.writeStartArray();
        out.writeBoolean(yes);
      }
      case Value.Words(String text) -> {
        out.writeString(WORDS);
        out.writeStartArray();
        out.writeString(text);
      }
    }
    out.writeEndArray();
    out.writeEndArray();
  }

  /**
   * Reads what {@link #pack} made.
   *
   * @throws IllegalStateException if the bytes are damaged
   */
  ProductFacts unpack(byte[] bytes) {
    try {
      return whole(SMILE.readValue(bytes, Kept.class));
    } catch (JacksonException e) {
      throw new IllegalStateException(
          "The stored facts of a product are damaged. Take its sheet in again.", e);
    }
  }
}
