package rhetor.standins.model;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rhetor.standins.Weather;

/** The chat-completions protocol with a key, answered by {@link Scribe}. */
@RestController
@RequestMapping("/model")
class ModelApi {
  static final String MODEL = "foolscap-1";

  /** About so many characters make a token of English. */
  private static final int TOKEN = 4;

  /** Tokens of a picture. */
  private static final int PICTURE = 800;

  private final Scribe scribe = new Scribe();
  private final Weather weather = new Weather();
  private volatile MannersOrder manners = new MannersOrder(0);
  private Ledger ledger = new Ledger(0, 0, 0);
  private final byte[] key;

  ModelApi(@Value("${standins.token}") String token) {
    key = ("Bearer " + token).getBytes(StandardCharsets.UTF_8);
  }

  /**
   * One message of a conversation; roles are "system", "user" and "assistant".
   *
   * @param content a text, or parts of the types "text" and "image_url"
   */
  record Message(String role, Object content) {
    /** Its words. */
    String text() {
      return switch (content) {
        case null -> "";
        case String text -> text;
        case List<?> parts ->
            parts.stream()
                .map(
                    p ->
                        p instanceof Map<?, ?> part && part.get("text") != null
                            ? part.get("text")
                            : "")
                .map(String::valueOf)
                .collect(Collectors.joining());
        default -> String.valueOf(content);
      };
    }

    /** The data addresses of its pictures. */
    List<String> pictures() {
      return content instanceof List<?> parts
          ? parts.stream()
              .map(p -> p instanceof Map<?, ?> part ? part.get("image_url") : null)
              .map(i -> i instanceof Map<?, ?> image ? image.get("url") : null)
              .filter(Objects::nonNull)
              .map(String::valueOf)
              .toList()
          : List.of();
    }
  }

  /**
   * How it behaves.
   *
   * @param misbehaves how many in a hundred answers to questions for texts are no proper answer
   */
  record MannersOrder(int misbehaves) {}

  /**
   * What was answered since it was started.
   *
   * @param asked tokens of all questions
   * @param answered tokens of all answers
   */
  record Ledger(long answers, long asked, long answered) {}

  /** What is asked. */
  record Request(String model, List<Message> messages) {}

  @PostMapping("/v1/chat/completions")
  ResponseEntity<Object> complete(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestBody Request request)
      throws InterruptedException {
    if (!isKnown(authorization)) {
      return error(HttpStatus.UNAUTHORIZED, "The key is wrong or missing.");
    }
    int obstacle = weather.obstacle();
    if (obstacle != 0) {
      return error(HttpStatus.valueOf(obstacle), "The model is at capacity; try again later.");
    }
    if (!MODEL.equals(request.model)) {
      return error(HttpStatus.NOT_FOUND, "There is no model called " + request.model + ".");
    }
    if (request.messages == null || request.messages.isEmpty()) {
      return error(HttpStatus.BAD_REQUEST, "There are no messages.");
    }
    String answer = scribe.answer(request.messages, manners.misbehaves);
    int asked =
        request.messages.stream()
            .mapToInt(m -> tokens(m.text()) + m.pictures().size() * PICTURE)
            .sum();
    book(asked, tokens(answer));
    return ResponseEntity.ok(
        Map.of(
            "id", UUID.nameUUIDFromBytes(answer.getBytes(StandardCharsets.UTF_8)).toString(),
            "object", "chat.completion",
            "created", Instant.now().getEpochSecond(),
            "model", MODEL,
            "choices",
                List.of(
                    Map.of(
                        "index",
                        0,
                        "message",
                        Map.of("role", "assistant", "content", answer),
                        "finish_reason",
                        "stop")),
            "usage",
                Map.of(
                    "prompt_tokens",
                    asked,
                    "completion_tokens",
                    tokens(answer),
                    "total_tokens",
                    asked + tokens(answer))));
  }

  private synchronized void book(int asked, int answered) {
    ledger = new Ledger(ledger.answers + 1, ledger.asked + asked, ledger.answered + answered);
  }

  /** What it would send a bill for. */
  @GetMapping("/ledger")
  ResponseEntity<Object> ledger(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization) {
    return isKnown(authorization)
        ? ResponseEntity.ok(ledger)
        : error(HttpStatus.UNAUTHORIZED, "The key is wrong or missing.");
  }

  private boolean isKnown(String authorization) {
    return MessageDigest.isEqual(key, authorization.getBytes(StandardCharsets.UTF_8));
  }

  private static int tokens(String text) {
    return (text.length() + TOKEN - 1) / TOKEN;
  }

  private static ResponseEntity<Object> error(HttpStatus status, String message) {
    return ResponseEntity.status(status).body(Map.of("error", Map.of("message", message)));
  }

  @PutMapping("/manners")
  ResponseEntity<Object> setManners(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestBody MannersOrder order) {
    if (!isKnown(authorization)) {
      return error(HttpStatus.UNAUTHORIZED, "The key is wrong or missing.");
    }
    manners = order;
    return ResponseEntity.ok(order);
  }

  @PutMapping("/weather")
  ResponseEntity<Object> setWeather(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestBody Weather.Settings settings) {
    if (!isKnown(authorization)) {
      return error(HttpStatus.UNAUTHORIZED, "The key is wrong or missing.");
    }
    weather.set(settings);
    return ResponseEntity.ok(settings);
  }
}
