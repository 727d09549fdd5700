package rhetor.app.log;

/** What the log takes note of. */
public enum Event {
  SIGNED_IN("signed in"),
  SIGN_IN_REFUSED("sign-in refused"),
  SIGNED_OUT("signed out"),
  NOT_ALLOWED("not allowed"),
  PERSON_ADDED("person added"),
  PERSON_REMOVED("person removed"),
  ROLE_CHANGED("role changed"),
  PASSWORD_CHANGED("password changed"),
  SECOND_FACTOR("second factor"),
  SESSION_ENDED("session ended"),
  TOKEN_CHANGED("token of a program"),
  SETTING_CHANGED("setting changed"),
  STYLE_CHANGED("style changed"),
  SIGNED_OFF("signed off"),
  SENT_BACK("sent back"),
  OLD_TEXTS_KEPT("old texts kept"),
  WORDS_SUBSTITUTED("words put for others"),
  TEXTS_CORRECTED("texts corrected in a table"),
  ACT_TAKEN_BACK("act on many texts taken back"),
  MARK_OVERRULED("mark let be"),
  FACT_STATED("fact stated for a mark"),
  SECOND_OPINION("second opinion on marks"),
  MARK_RAISED_AGAIN("mark raised again"),
  EDITION_STARTED("edition started"),
  SHOP_SETTLED("page in the shop settled"),
  CONNECTION_CHANGED("connection changed"),
  INTAKE_TAKEN("intake taken in"),
  INTAKE_TAKEN_BACK("intake taken back"),
  RUN_TAKEN_BACK("texts of a run taken back");

  private final String label;

  Event(String label) {
    this.label = label;
  }

  /** What it is called where people read it. */
  public String label() {
    return label;
  }
}
