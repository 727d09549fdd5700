package rhetor.core.template;

/**
 * Why a template can't be kept.
 *
 * @param where which part of it: {@code outline.2}, {@code fields.title}, {@code questions.0},
 *     {@code prompt}
 * @param line line in its text, from 1; 0 if it is about the whole
 * @param column column in that line, from 1; 0 if it is about the whole
 * @param why what is wrong and what to do
 */
public record TemplateProblem(String where, int line, int column, String why) {}
