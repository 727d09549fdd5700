/**
 * A folder that is watched: what somebody or some program puts there is taken in, written if the
 * house wants it, and put back with its texts.
 */
package rhetor.app.folder;
