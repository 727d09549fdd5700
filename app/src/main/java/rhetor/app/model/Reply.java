package rhetor.app.model;

import java.math.BigDecimal;

/**
 * What a text model answered, and what that took.
 *
 * @param cost what it cost this time
 * @param isKept whether it was answered before and cost nothing this time
 */
public record Reply(
    String text, int tokensAsked, int tokensAnswered, BigDecimal cost, boolean isKept) {}
