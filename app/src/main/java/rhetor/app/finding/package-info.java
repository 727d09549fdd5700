/** What the checks found in the texts that count, by cause. */
package rhetor.app.finding;
