package rhetor.app.news;

/** What a person wants to be told by mail. */
public enum MailWish {
  ALL,
  /** What somebody has to see to. */
  NEEDED,
  NONE
}
