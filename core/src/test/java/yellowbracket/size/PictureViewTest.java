package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/** A picture taken from a known side is found again from the points clicked in it. */
class PictureViewTest {
    private static final List<Vec3> FOUR = List.of(new Vec3(-80, 60, 10), new Vec3(75, 70, 25), new Vec3(5, 95, 140),
            new Vec3(10, -60, 190));

    private static List<Reference.Pair> seen(PictureView from, List<Vec3> points, double noise, long seed) {
        var random = new SplittableRandom(seed);
        var out = new ArrayList<Reference.Pair>();
        for (var p : points) out.add(
                new Reference.Pair(p, from.u(p) + noise * (random.nextDouble() - 0.5), from.v(p) + noise * (random.nextDouble() - 0.5)));
        return out;
    }

    private static PictureView known(int i) {
        var random = new SplittableRandom(i);
        var turn = PictureView.FRONT.then(Turn.about(Vec3.Y, 120 * (random.nextDouble() - 0.5)))
                .then(Turn.about(Vec3.X, 50 * (random.nextDouble() - 0.5)))
                .then(Turn.about(Vec3.Z, 20 * (random.nextDouble() - 0.5)));
        return new PictureView(turn, 0.001 + 0.003 * random.nextDouble(), 0.3 + 0.4 * random.nextDouble(), 0.7, 0);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void fourPointsFindTheCameraWithinADegree(int i) {
        var camera = known(i);
        var found = PictureView.of(seen(camera, FOUR, 0, i), PictureView.FRONT).orElseThrow();
        assertThat(PictureView.apart(found.turn(), camera.turn())).isLessThan(1);
        assertThat(found.perMm()).isCloseTo(camera.perMm(), within(0.002 * camera.perMm()));
        assertThat(found.errorShare()).isLessThan(1e-4);
        // clicked a thousandth of the width beside it, on a picture that the model fills
        var clicked = PictureView.of(seen(camera, FOUR, 0.001 * 280 * camera.perMm(), i), PictureView.FRONT).orElseThrow();
        assertThat(PictureView.apart(clicked.turn(), camera.turn())).isLessThan(1);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void threePointsFindOneOfTwoCamerasAndSeeAllThreeRight(int i) {
        var camera = known(i);
        var pairs = seen(camera, FOUR.subList(0, 3), 0, i);
        var found = PictureView.of(pairs, camera.turn()).orElseThrow();
        for (var p : pairs) assertThat(Math.hypot(found.u(p.model()) - p.u(), found.v(p.model()) - p.v())).isLessThan(1e-3);
    }

    @Test
    void twoPointsGiveSizeRollAndPlaceAndKeepTheSide() {
        var camera = new PictureView(PictureView.FRONT.then(Turn.about(Vec3.Z, 25)), 0.0025, 0.4, 0.8, 0);
        var found = PictureView.of(seen(camera, FOUR.subList(0, 2), 0, 1), PictureView.FRONT).orElseThrow();
        assertThat(found.turn().row2().distance(Vec3.Y)).isLessThan(1e-9);
        assertThat(PictureView.apart(found.turn(), camera.turn())).isLessThan(0.01);
        assertThat(found.perMm()).isCloseTo(0.0025, within(1e-9));
        assertThat(found.u(FOUR.get(1))).isCloseTo(camera.u(FOUR.get(1)), within(1e-9));
    }

    @Test
    void tooFewPointsOrOnePointTwiceGiveNothing() {
        var p = new Reference.Pair(new Vec3(1, 2, 3), 0.5, 0.5);
        assertThat(PictureView.of(List.of(p), PictureView.FRONT)).isEmpty();
        assertThat(PictureView.of(List.of(p, new Reference.Pair(new Vec3(1, 2, 3), 0.7, 0.5)), PictureView.FRONT)).isEmpty();
    }

    @Test
    void whatTheModelLacksIsToldUntilItIsThereOrWaived() {
        var wish = SizeWish.AS_IT_IS.withReference(
                new Reference("front", "", "x.png", List.of(), List.of(new Reference.Feature("left vent", 0, Reference.State.MISSING),
                        new Reference.Feature("rivets", 12, Reference.State.OPEN))));
        assertThat(wish.lacks()).extracting(f -> f.words())
                .containsExactly("the model lacks what front shows: left vent; add it, or waive it",
                        "not looked at yet in front: rivets (12)");
        var r = wish.references().getFirst();
        var waived = wish.withReference(
                r.with(r.features().getFirst().as(Reference.State.WAIVED)).with(r.features().getLast().as(Reference.State.THERE)));
        assertThat(waived.lacks()).isEmpty();
        assertThat(waived.references()).hasSize(1);
    }
}
