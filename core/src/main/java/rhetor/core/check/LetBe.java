package rhetor.core.check;

/**
 * A mark that a person has overruled: it isn't raised again for that sentence.
 *
 * @param check the check that found it
 * @param sentence the sentence as it stands
 * @param words the words that it is about
 */
public record LetBe(String check, String sentence, String words) {}
