package rhetor.core.support;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;

/** The vocabularies of all concepts' wordings and all claims, read once for a house's knowledge. */
final class KnownWords {
  private static final Vocabulary NONE = Vocabulary.of(List.<String>of());

  private final Map<String, Vocabulary> concepts = new HashMap<>();
  private final Map<String, Vocabulary> claims = new HashMap<>();

  KnownWords(Knowledge knowledge) {
    for (Concept concept : knowledge.concepts()) {
      concepts.put(concept.id(), Vocabulary.of(concept.wordings().toList()));
    }
    for (Claim claim : knowledge.claims()) {
      claims.put(
          claim.id(),
          Vocabulary.of(Stream.concat(claim.adj().stream(), claim.so().stream()).toList()));
    }
  }

  Vocabulary ofConcept(String id) {
    return concepts.getOrDefault(id, NONE);
  }

  Vocabulary ofClaim(String id) {
    return claims.getOrDefault(id, NONE);
  }
}
