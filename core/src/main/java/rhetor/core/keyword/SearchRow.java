package rhetor.core.keyword;

/**
 * What is known of one search query.
 *
 * @param query the words that were searched for
 * @param page address of the page that was shown for it; empty if the data don't say
 * @param impressions how often the page was shown
 * @param clicks how often it was clicked
 * @param position its mean place among the results, from 1; 0 if unknown
 * @param volume searches a month; 0 if unknown
 * @param competition how many want the place, 0 to 1 or 0 to 100 as the data have it; 0 if unknown
 */
public record SearchRow(
    String query,
    String page,
    long impressions,
    long clicks,
    double position,
    long volume,
    double competition) {

  /** How much is searched for it: the larger of impressions and volume. */
  public long demand() {
    return Math.max(impressions, volume);
  }
}
