package rhetor.app.knowledge;

/** How many texts are stale after a decision. */
public record Touched(int texts) {}
