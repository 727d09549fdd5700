package rhetor.app.model;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import rhetor.core.model.TextModel;
import rhetor.core.model.Turn;

/** What is said with a text model about one text, and what it took. */
public final class Conversation implements TextModel {
  private final Function<List<Turn>, Reply> models;
  private final List<Reply> replies = new ArrayList<>();

  Conversation(Function<List<Turn>, Reply> models) {
    this.models = models;
  }

  @Override
  public String answer(List<Turn> turns) {
    Reply reply = models.apply(turns);
    replies.add(reply);
    return reply.text();
  }

  /** Tokens of all questions so far. */
  public int tokensAsked() {
    return replies.stream().mapToInt(Reply::tokensAsked).sum();
  }

  /** Tokens of all answers so far. */
  public int tokensAnswered() {
    return replies.stream().mapToInt(Reply::tokensAnswered).sum();
  }

  /** What it cost this time; what was answered before costs nothing again. */
  public BigDecimal cost() {
    return replies.stream().map(Reply::cost).reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  /** Whether all of it had been answered before. */
  public boolean isKept() {
    return replies.stream().allMatch(Reply::isKept);
  }
}
