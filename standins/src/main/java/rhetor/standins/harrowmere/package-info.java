/**
 * Harrowmere Cycle &amp; Trail, an invented shop, with its invented suppliers' sheets and pictures.
 */
package rhetor.standins.harrowmere;
