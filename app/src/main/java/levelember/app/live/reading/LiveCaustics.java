package levelember.app.live.reading;

import java.util.Optional;
import levelember.app.live.session.SessionSnapshot;
import levelember.caustics.CausticPhotons;
import levelember.caustics.CausticSurvey;
import levelember.film.Film;
import levelember.measure.CausticReading;
import levelember.shoot.Shoot;

/**
 * A light's caustics in the live picture.
 *
 * @param share of the light's own luminance in the picture, 0…1
 * @param ofPicture the same of the whole picture's
 * @param drownedBy id of the light that gives most where they fall, or null
 * @param drownedStops by how many stops that is more than the caustics
 * @param survey where its photons come from and go
 * @param thrownBy name of the piece that throws most, or null
 * @param penumbra metres that the light's own size blurs edges over
 */
record LiveCaustics(
    double share,
    double ofPicture,
    String drownedBy,
    double drownedStops,
    CausticSurvey survey,
    String thrownBy,
    double penumbra) {

  /** Those of a light; none where there is no such light or it casts none. */
  static Optional<LiveCaustics> of(SessionSnapshot m, String light) {
    Shoot shoot = m.shoot();
    int k = 0;
    while (k < shoot.lights().size() && !shoot.lights().get(k).id().equals(light)) {
      k++;
    }
    if (k == shoot.lights().size()
        || k >= m.view().layers()
        || !CausticPhotons.carry(m.view().scene(), k)
        || m.ladder().step() == 0) {
      return Optional.empty();
    }
    Film film = m.ladder().film(m.ladder().full().samples() > 0 ? 3 : 1);
    CausticReading reading = CausticReading.of(film, m.weights(), k);
    CausticSurvey survey = CausticSurvey.of(m.view().scene(), k);
    int piece = survey.piece();
    return Optional.of(
        new LiveCaustics(
            reading.share(),
            reading.ofPicture(),
            reading.drownedBy() < 0 ? null : shoot.lights().get(reading.drownedBy()).id(),
            reading.drownedStops(),
            survey,
            piece < 0 ? null : shoot.pieces().get(piece).name(),
            survey.penumbra()));
  }
}
