package rhetor.app.people;

/** What a person may do; each role may do all that the ones before it may. */
public enum Role {
  /** Sees everything. */
  READER,
  /** Takes sheets in, writes and changes texts. */
  WRITER,
  /** Signs off and publishes. */
  EDITOR,
  /** Decides who may do what. */
  OWNER
}
