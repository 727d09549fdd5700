/**
 * What a picture shows as far as it can be computed: {@link rhetor.core.image.PictureReader} opens
 * pictures from strangers, {@link rhetor.core.image.PictureAnalyser} finds colours, background,
 * framing and sharpness.
 */
package rhetor.core.image;
