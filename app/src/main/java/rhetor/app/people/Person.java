package rhetor.app.people;

/** Somebody who works with this house. */
public record Person(long id, String email, String name, Role role) {}
