package levelember.app.live.message;

/**
 * What the header of scopes says.
 *
 * @param kind always {@code scopes}, which no frame's header has
 * @param columns of the waveform
 * @param levels of every scope
 * @param leastStops what levels of the light begin at, in stops from mid grey
 * @param mostStops what levels of the light end at
 * @param clippedPercent pixels with a channel at the top of the scale
 * @param blackPercent pixels with no channel above the foot of the scale
 * @param histogram luma, red, green, blue: a share for every level
 * @param curve what greys from −8 to +8 stops are shown as, eight a stop: red, green, blue of each,
 *     0…1
 */
public record ScopesHeader(
    String kind,
    ScopesMessage.Of of,
    int columns,
    int levels,
    double leastStops,
    double mostStops,
    double clippedPercent,
    double blackPercent,
    float[] histogram,
    float[] curve) {}
