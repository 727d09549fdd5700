/** Measurements against plain baselines, both sides in one run. */
package rhetor.bench;
