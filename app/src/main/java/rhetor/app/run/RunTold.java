package rhetor.app.run;

/** A run has ended, or waits for something. */
public record RunTold(Run run) {}
