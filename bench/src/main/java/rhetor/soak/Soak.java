package rhetor.soak;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/**
 * Runs the real application with short pool lifetimes and a small heap under all kinds of work at
 * once, kills and restarts it, and then looks whether it has kept its word.
 */
public final class Soak implements Hand.Faults {
  private static final String TOKEN = "token-for-the-soak";
  private static final String HEAP = "400m";
  private static final int SHEET_ROWS = 40;
  private static final int MOST_PRODUCTS = 2_000;
  private static final int SHOWN_FAULTS = 20;

  private final Duration duration;
  private final Path folder;
  private final PrintStream out;
  private final Server app;
  private final Server shop;
  private final Queue<String> faults = new ConcurrentLinkedQueue<>();
  private final AtomicLong requests = new AtomicLong();
  private final Set<String> taken = ConcurrentHashMap.newKeySet();
  private final Map<String, AtomicInteger> done = new ConcurrentHashMap<>();
  private volatile boolean goesOn = true;

  /**
   * A soak.
   *
   * @param jars the folder that has the modules, built
   */
  public Soak(Duration duration, Path jars, PrintStream out) throws IOException {
    this.duration = duration;
    this.out = out;
    this.folder = Files.createTempDirectory("rhetor-soak");
    int port = Server.freePort();
    this.shop = Server.outside(jars, folder.resolve("shop"), TOKEN, folder.resolve("shop.log"));
    this.app =
        Server.of(
            jars.resolve("app/target/rhetor-app-1.0-SNAPSHOT-exec.jar"),
            HEAP,
            port,
            folder.resolve("rhetor.log"),
            List.of(
                "--rhetor.port=" + port,
                "--rhetor.data=" + folder.resolve("house"),
                "--rhetor.shop.url=" + shop.url(),
                "--rhetor.shop.token=" + TOKEN,
                "--rhetor.grammar=false",
                "--spring.datasource.hikari.max-lifetime=30000"));
  }

  @Override
  public void fault(String what) {
    faults.add(what.length() > 500 ? what.substring(0, 500) : what);
  }

  @Override
  public AtomicLong requests() {
    return requests;
  }

  /**
   * A soak of as many minutes as {@code --minutes} says, twenty if it says nothing; or a run of
   * {@code --products} during which the server is killed {@code --kills} times.
   */
  public static void main(String[] args) throws Exception {
    Map<String, Integer> said = new HashMap<>(Map.of("--minutes", 20, "--products", 2_000));
    for (int i = 0; i < args.length; i += 2) {
      boolean isKnown = Set.of("--minutes", "--kills", "--products").contains(args[i]);
      if (!isKnown || i + 1 == args.length || !args[i + 1].matches("\\d{1,5}")) {
        System.err.println(
            "rhetor soak takes --minutes N, or --kills N with --products N, and nothing else.");
        System.exit(2);
      }
      said.put(args[i], Integer.valueOf(args[i + 1]));
    }
    List<String> faults =
        said.containsKey("--kills")
            ? new KilledRun(said.get("--kills"), said.get("--products"), Path.of("."), System.out)
                .run()
            : new Soak(Duration.ofMinutes(said.get("--minutes")), Path.of("."), System.out).run();
    System.exit(faults.isEmpty() ? 0 : 1);
  }

  /** Runs it; what must not be, nothing if the house has kept its word. */
  public List<String> run() throws IOException, InterruptedException {
    Files.createDirectories(folder.resolve("shop"));
    shop.start();
    app.start();
    furnish();
    List<Thread> hands = begin();
    long end = System.nanoTime() + duration.toNanos();
    int crashes = duration.toMinutes() < 6 ? 2 : (int) (duration.toMinutes() / 5);
    List<Server.Use> uses = new ArrayList<>();
    for (int i = 1; i <= crashes; i++) {
      until(end - duration.toNanos() * (crashes + 1 - i) / (crashes + 1));
      report("before crash " + i, uses);
      if (i % 3 == 0) {
        if (!app.stop()) {
          fault("the server did not stop within a minute when asked to");
        }
      } else {
        app.kill();
      }
      app.start();
      count("restarts");
    }
    until(System.nanoTime() + (end - System.nanoTime()) / 3);
    report("after the last start", uses);
    until(end);
    report("at the end", uses);
    goesOn = false;
    for (Thread hand : hands) {
      hand.join(Duration.ofSeconds(90));
      if (hand.isAlive()) {
        fault(hand.getName() + " hangs");
      }
    }
    settle();
    flat(uses);
    Map<String, Integer> told = told();
    if (!app.stop()) {
      fault("the server did not stop within a minute when asked to");
    }
    try (Word word = new Word(folder.resolve("house"), shop.url(), TOKEN, this)) {
      word.check(taken, told);
    }
    look();
    shop.stop();
    out.printf("soak minutes=%d requests=%d %s%n", duration.toMinutes(), requests.get(), done);
    faults.stream().limit(SHOWN_FAULTS).forEach(f -> out.println("FAULT " + f));
    out.printf("soak faults=%d%n", faults.size());
    if (faults.isEmpty()) {
      delete();
    } else {
      out.println("All of it is kept in " + folder);
    }
    return List.copyOf(faults);
  }

  private static void until(long moment) throws InterruptedException {
    long left = moment - System.nanoTime();
    if (left > 0) {
      Thread.sleep(Duration.ofNanos(left));
    }
  }

  private void report(String when, List<Server.Use> uses) throws IOException, InterruptedException {
    Server.Use use = app.use();
    uses.add(use);
    out.printf(
        "soak %s: products=%d requests=%d heap-mb=%d threads=%d files=%d faults=%d%n",
        when, taken.size(), requests.get(), use.heap(), use.threads(), use.files(), faults.size());
    out.flush();
  }

  /**
   * Between the last start and the end nothing may have grown but what products themselves take.
   */
  private void flat(List<Server.Use> uses) {
    Server.Use before = uses.get(uses.size() - 2);
    Server.Use after = uses.getLast();
    if (after.heap() > before.heap() + 80) {
      fault("the heap grew from %d to %d MB".formatted(before.heap(), after.heap()));
    }
    if (after.threads() > before.threads() + 20) {
      fault("threads grew from %d to %d".formatted(before.threads(), after.threads()));
    }
    if (after.files() > before.files() + 40) {
      fault("open files grew from %d to %d".formatted(before.files(), after.files()));
    }
  }

  private void count(String what) {
    done.computeIfAbsent(what, w -> new AtomicInteger()).incrementAndGet();
  }

  private Hand hand(String email) {
    return new Hand(app.url(), email, this);
  }

  private void furnish() throws InterruptedException {
    Hand first = hand("owner@soak.example");
    for (int i = 0; i < 100 && !first.get("/api/session").isGood(); i++) {
      Thread.sleep(200);
    }
    first.post("/api/owner", person("owner@soak.example", "OWNER"), Map.of());
    for (String editor : List.of("edit1", "edit2", "publish")) {
      first.post("/api/people", person(editor + "@soak.example", "EDITOR"), Map.of());
    }
    for (String writer : List.of("take1", "take2", "run")) {
      first.post("/api/people", person(writer + "@soak.example", "WRITER"), Map.of());
    }
    Hand.Answer last = first.post("/api/people", person("read@soak.example", "READER"), Map.of());
    if (!last.isGood()) {
      throw new IllegalStateException("the house could not be furnished: " + last);
    }
  }

  private static Map<String, String> person(String email, String role) {
    return Map.of("email", email, "name", "Somebody", "role", role, "password", Hand.PASSWORD);
  }

  private interface Act {
    void once(Hand hand, Random random) throws InterruptedException;
  }

  private List<Thread> begin() {
    List<Thread> hands = new ArrayList<>();
    hands.add(work("take1", this::takeIn, 300));
    hands.add(work("take2", this::takeIn, 300));
    hands.add(work("run", this::write, 200));
    hands.add(work("edit1", this::proof, 20));
    hands.add(work("edit2", this::proof, 20));
    hands.add(work("publish", this::publish, 500));
    hands.add(work("owner", this::decide, 10_000));
    for (int i = 0; i < 4; i++) {
      hands.add(work("read", this::read, 30));
    }
    hands.add(work("knock", this::knock, 400));
    hands.add(Thread.ofPlatform().name("weather").start(this::weather));
    return hands;
  }

  private Thread work(String who, Act act, long pause) {
    Hand hand = hand(who + "@soak.example");
    Random random = new Random(who.hashCode());
    return Thread.ofPlatform()
        .name(who)
        .start(
            () -> {
              try {
                while (goesOn) {
                  act.once(hand, random);
                  Thread.sleep(pause);
                }
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
              } catch (RuntimeException e) {
                fault(who + " stumbled: " + e);
              }
            });
  }

  private static final List<String> CELLS =
      List.of(
          "830 g",
          "1,2 kg",
          "moss green",
          "=cmd|' /C calc'!A0",
          "<b>bold</b>",
          "{{name}}",
          "5 cm x 3 cm",
          "ünïcödé 😀",
          "n/a",
          "recycled nylon",
          "IPX6",
          "yes",
          "a \"quoted\" word",
          "20 l");

  private void takeIn(Hand hand, Random random) {
    if (taken.size() > MOST_PRODUCTS) {
      return;
    }
    String prefix = "S" + Long.toString(System.nanoTime(), 36).toUpperCase();
    StringBuilder csv = new StringBuilder("SKU,Name,Category,Weight,Material,Colour,Note\n");
    List<String> skus = new ArrayList<>();
    for (int i = 0; i < SHEET_ROWS; i++) {
      String sku = prefix + "-" + i;
      skus.add(sku);
      csv.append(sku)
          .append(",Lane ")
          .append(i)
          .append(",Backpacks,")
          .append(500 + i)
          .append(" g,nylon,green,\"")
          .append(CELLS.get(random.nextInt(CELLS.size())).replace("\"", "\"\""))
          .append("\"\n");
    }
    Hand.Answer came =
        hand.upload(
            "/api/intakes", prefix + ".csv", csv.toString().getBytes(StandardCharsets.UTF_8));
    if (!came.isGood()) {
      return;
    }
    String path = "/api/intakes/" + came.body().path("id").asLong();
    hand.put(path + "/seen", Map.of(), Map.of());
    Map<String, String> once = Map.of("Idempotency-Key", prefix + "-take");
    Hand.Answer in = hand.post(path + "/take", Map.of(), once);
    if (in.status() == 0) {
      // The answer was lost: the same order again tells what became of the first.
      in = hand.post(path + "/take", Map.of(), once);
    }
    if (in.isGood()) {
      taken.addAll(skus);
      count("intakes");
    }
  }

  private void write(Hand hand, Random random) throws InterruptedException {
    Map<String, Object> wish =
        Map.of(
            "products",
            List.of(),
            "search",
            "",
            "state",
            random.nextInt(6) == 0 ? "PROOF" : "UNWRITTEN",
            "intake",
            0,
            "leaveSignedOff",
            true,
            "seed",
            random.nextInt(100));
    Hand.Answer run =
        hand.post("/api/runs", wish, Map.of("Idempotency-Key", "run-" + System.nanoTime()));
    if (!run.isGood()) {
      return;
    }
    count("runs");
    String path = "/api/runs/" + run.body().path("id").asLong();
    boolean stops = random.nextInt(6) == 0;
    for (int i = 0; i < 300 && goesOn; i++) {
      String status = hand.get(path).body().path("run").path("status").asString("");
      if (status.equals("DONE") || status.equals("STOPPED")) {
        return;
      }
      if (stops && i == 3) {
        hand.post(path + "/stop", Map.of(), Map.of());
      }
      Thread.sleep(200);
    }
  }

  private void proof(Hand hand, Random random) {
    String state = List.of("PROOF", "READY", "SIGNED_OFF", "PUBLISHED").get(random.nextInt(4));
    JsonNode items =
        hand.get(
                "/api/products?state=%s&order=%s&limit=40"
                    .formatted(state, random.nextBoolean() ? "LEAST_READY" : "MOST_READY"))
            .body()
            .path("items");
    if (items.isEmpty()) {
      return;
    }
    String path = "/api/proofs/" + items.get(random.nextInt(items.size())).path("id").asLong();
    Hand.Answer proof = hand.get(path);
    Map<String, String> seen =
        Map.of("If-Match", "\"" + proof.body().path("revision").asLong() + "\"");
    Hand.Answer done =
        switch (random.nextInt(8)) {
          case 0 ->
              hand.put(
                  path + "/fields/title",
                  Map.of("text", "Lane title " + random.nextInt(1000)),
                  seen);
          case 1 -> hand.post(path + "/send-back", Map.of(), seen);
          case 2 -> hand.post(path + "/undo", Map.of(), seen);
          default -> hand.post(path + "/sign-off", Map.of(), seen);
        };
    if (done.isGood()) {
      count("proofs");
    }
  }

  private void publish(Hand hand, Random random) throws InterruptedException {
    Hand.Answer edition =
        hand.post(
            "/api/editions",
            Map.of("products", List.of()),
            Map.of("Idempotency-Key", "edition-" + System.nanoTime()));
    if (edition.isGood()) {
      count("editions");
      Thread.sleep(random.nextInt(1_500));
    }
  }

  private void decide(Hand hand, Random random) {
    JsonNode style = hand.get("/api/style").body();
    if (!style.has("style")) {
      return;
    }
    tools.jackson.databind.node.ObjectNode body =
        (tools.jackson.databind.node.ObjectNode) style.path("style").deepCopy();
    body.put("audience", "people who ride " + random.nextInt(50));
    hand.put(
        "/api/style",
        Map.of("seen", style.path("version").asLong(), "note", "", "style", body),
        Map.of());
    hand.get("/api/log");
    hand.get("/api/variants");
    count("decisions");
  }

  private static final List<String> READ =
      List.of(
          "/api/products",
          "/api/products?order=NAME",
          "/api/products?state=FIX&order=LEAST_READY",
          "/api/products?search=lane%201",
          "/api/waiting",
          "/api/waiting",
          "/api/runs",
          "/api/editions",
          "/api/audit",
          "/api/intakes",
          "/api/variants",
          "/api/templates",
          "/api/products?state=STALE",
          "/api/missing",
          "/api/keywords");

  private void read(Hand hand, Random random) {
    hand.get(READ.get(random.nextInt(READ.size())));
  }

  /** Somebody without a key tries the door. */
  private void knock(Hand hand, Random random) {
    hand("stranger" + random.nextInt(5) + "@soak.example")
        .signIn("guess number " + random.nextInt());
  }

  private void weather() {
    Random random = new Random(3);
    try {
      while (goesOn) {
        set(random.nextInt(30), random.nextInt(3) == 0 ? 20 : 0, random.nextInt(3) == 0 ? 5 : 0);
        Thread.sleep(2_000);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void set(int latency, int perSecond, int failEvery) {
    Word.shop(
        shop.url(),
        TOKEN,
        "PUT",
        "/api/weather",
        "{\"latencyMillis\":%d,\"perSecond\":%d,\"failEvery\":%d}"
            .formatted(latency, perSecond, failEvery));
  }

  /** Lets what is under way come to its end. */
  private void settle() throws InterruptedException {
    set(0, 0, 0);
    Hand hand = hand("owner@soak.example");
    for (int i = 0; i < 1_500; i++) {
      boolean busy = hand.get("/api/waiting").body().path("runs").asInt(1) > 0;
      for (JsonNode edition : hand.get("/api/editions").body()) {
        busy |= !edition.path("status").asString().equals("DONE");
      }
      if (!busy) {
        return;
      }
      Thread.sleep(200);
    }
    fault("runs or editions are not done five minutes after everybody has left");
  }

  /** How many products the house says are in each stage. */
  private Map<String, Integer> told() {
    Map<String, Integer> stages = new java.util.HashMap<>();
    hand("owner@soak.example")
        .get("/api/waiting")
        .body()
        .path("stages")
        .properties()
        .forEach(e -> stages.put(e.getKey(), e.getValue().asInt()));
    return stages;
  }

  /** What the log and the folder say. */
  private void look() throws IOException {
    try (Stream<String> lines = Files.lines(folder.resolve("rhetor.log"))) {
      lines
          .filter(l -> l.matches(".{20,40} ERROR .*"))
          .limit(10)
          .forEach(l -> fault("in the log: " + l));
    }
    try (Stream<Path> files = Files.walk(folder.resolve("house"))) {
      files
          .filter(f -> f.getFileName().toString().startsWith("incoming"))
          .forEach(f -> fault("half written: " + f));
    }
  }

  private void delete() throws IOException {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(java.util.Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(file);
      }
    }
  }
}
