package rhetor.app.model;

import dev.langchain4j.data.message.AiMessage;
import dev.langchain4j.data.message.ChatMessage;
import dev.langchain4j.data.message.Content;
import dev.langchain4j.data.message.ImageContent;
import dev.langchain4j.data.message.TextContent;
import dev.langchain4j.data.message.UserMessage;
import dev.langchain4j.exception.AuthenticationException;
import dev.langchain4j.exception.InternalServerException;
import dev.langchain4j.exception.InvalidRequestException;
import dev.langchain4j.exception.ModelNotFoundException;
import dev.langchain4j.exception.RateLimitException;
import dev.langchain4j.exception.TimeoutException;
import dev.langchain4j.model.chat.response.ChatResponse;
import dev.langchain4j.model.openai.OpenAiChatModel;
import dev.langchain4j.model.output.TokenUsage;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rhetor.app.model.ModelTrouble.Kind;
import rhetor.core.model.AnswerReader;
import rhetor.core.model.Turn;

/** Asks text models over the chat-completions protocol. */
@Component
class ModelClient {
  private static final Logger LOG = LoggerFactory.getLogger(ModelClient.class);

  /** How often somebody's single question is asked. */
  static final int TRIES = 3;

  private final Duration patience;

  ModelClient(@Value("${rhetor.models.patience:90s}") Duration patience) {
    this.patience = patience;
  }

  /**
   * Asks a model.
   *
   * @param tries how often it is asked while it is at capacity or has an error of its own
   * @throws ModelTrouble if it doesn't answer, with the reason and what to do
   */
  Reply ask(Connection connection, List<Turn> turns, int tries) {
    try {
      ChatResponse response =
          OpenAiChatModel.builder()
              .baseUrl(connection.address())
              // A service that wants no key is sent a word that says so.
              .apiKey(connection.secret().isEmpty() ? "none" : connection.secret())
              .modelName(connection.model())
              .httpClientBuilder(BoundedHttp.builder())
              .timeout(patience)
              .maxRetries(tries - 1)
              .build()
              .chat(turns.stream().map(ModelClient::message).toList());
      String said = Optional.ofNullable(response.aiMessage().text()).orElse("");
      String text = said.substring(0, Math.min(said.length(), AnswerReader.LONGEST));
      TokenUsage usage = Optional.ofNullable(response.tokenUsage()).orElse(new TokenUsage());
      int asked = Optional.ofNullable(usage.inputTokenCount()).orElse(0);
      int answered = Optional.ofNullable(usage.outputTokenCount()).orElse(0);
      return new Reply(text, asked, answered, connection.cost(asked, answered), false);
    } catch (RuntimeException e) {
      // The library throws a plain one when a connection is refused or breaks off.
      LOG.info("{} did not answer", connection, e);
      throw trouble(connection.name(), e, tries);
    }
  }

  private static ChatMessage message(Turn turn) {
    if (turn.answered()) {
      return AiMessage.from(turn.text());
    }
    List<Content> parts = new ArrayList<>(List.of(TextContent.from(turn.text())));
    turn.pictures().forEach(p -> parts.add(ImageContent.from(p, "image/png")));
    return turn.pictures().isEmpty() ? UserMessage.from(turn.text()) : UserMessage.from(parts);
  }

  private ModelTrouble trouble(String name, RuntimeException e, int tries) {
    String tried = tries == 1 ? "" : "; it was tried %d times".formatted(tries);
    return switch (e) {
      case AuthenticationException a ->
          new ModelTrouble(
              Kind.CONNECTION,
              "“%s” doesn’t accept the key. Replace it under Connections.".formatted(name),
              Duration.ZERO);
      case ModelNotFoundException m ->
          new ModelTrouble(
              Kind.CONNECTION,
              "“%s” doesn’t know the model it is asked for. Correct its name under Connections."
                  .formatted(name),
              Duration.ZERO);
      case RateLimitException r ->
          new ModelTrouble(
              Kind.CAPACITY,
              "“%s” is at capacity or its allowance is used up%s. Try again later."
                  .formatted(name, tried),
              BoundedHttp.Declined.waitOf(e).orElse(Duration.ZERO));
      case TimeoutException t ->
          new ModelTrouble(
              Kind.SILENCE,
              "“%s” didn’t answer within %d seconds. Try again later."
                  .formatted(name, patience.toSeconds()),
              Duration.ZERO);
      case InvalidRequestException i ->
          new ModelTrouble(
              Kind.QUESTION,
              "“%s” doesn’t take the question: %s".formatted(name, snippet(i.getMessage())),
              Duration.ZERO);
      case InternalServerException s ->
          new ModelTrouble(
              Kind.SILENCE,
              "“%s” answered with an error of its own%s. Try again later.".formatted(name, tried),
              BoundedHttp.Declined.waitOf(e).orElse(Duration.ZERO));
      default ->
          new ModelTrouble(
              Kind.SILENCE,
              "“%s” can’t be reached. Check its address under Connections, and that it is running."
                  .formatted(name),
              Duration.ZERO);
    };
  }

  private static String snippet(String message) {
    String line = String.valueOf(message).replaceAll("\\s+", " ");
    return line.length() > 200 ? line.substring(0, 200) + "…" : line;
  }
}
