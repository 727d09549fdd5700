package rhetor.core.compose;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** All texts of one product, each as blocks of sentences with their support. */
public record Draft(Map<Field, List<Block>> fields) {
  public Draft {
    fields =
        fields.isEmpty() ? Map.of() : java.util.Collections.unmodifiableMap(new EnumMap<>(fields));
  }

  public List<Block> blocks(Field field) {
    return fields.getOrDefault(field, List.of());
  }

  /** All sentences of a field in order; headings too. */
  public List<Sentence> sentences(Field field) {
    return blocks(field).stream().flatMap(b -> b.sentences().stream()).toList();
  }

  /** The field as plain text: blocks on lines of their own. */
  public String plain(Field field) {
    return plain(blocks(field), field == Field.TAGS);
  }

  private static String plain(List<Block> blocks, boolean tags) {
    return blocks.stream()
        .map(
            b ->
                b.sentences().stream()
                    .map(Sentence::text)
                    .collect(
                        Collectors.joining(tags ? ", " : b.kind() == Block.Kind.LIST ? "\n" : " ")))
        .collect(Collectors.joining("\n"));
  }

  /** The same texts with one field replaced. */
  public Draft with(Field field, List<Block> blocks) {
    EnumMap<Field, List<Block>> changed = new EnumMap<>(Field.class);
    changed.putAll(fields);
    changed.put(field, List.copyOf(blocks));
    return new Draft(changed);
  }
}
