package rhetor.core.model;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import rhetor.core.style.Field;
import rhetor.core.text.Block;

/**
 * What a text model's answer says, field by field.
 *
 * @param fields the fields that were found whole, without support yet
 * @param notes what had to be put right or left out, each as a sentence for a person
 */
public record Answer(Map<Field, List<Block>> fields, List<String> notes) {
  public Answer {
    fields = fields.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(fields));
    notes = List.copyOf(notes);
  }
}
