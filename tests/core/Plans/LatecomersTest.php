<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Plans;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Plans\Latecomers;
use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

/** Who comes late finds a place with the fewest moves of others. */
final class LatecomersTest extends TestCase
{
    use TestTrait;

    public function testSomebodyMakesRoomWhoCanBeElsewhere(): void
    {
        $people = [new PlanPerson('ada', ['a']), new PlanPerson('bo', ['a', 'b']), new PlanPerson('cy', ['a'], ['b'])];
        $sections = [new PlanSection('a', 2), new PlanSection('b', 2)];
        $plan = Latecomers::plan($people, $sections, ['ada' => 'a', 'bo' => 'a'], new Lot('seed'));
        self::assertSame([], $plan->unplaced);
        self::assertSame('a', $plan->places['cy']);
        self::assertCount(1, array_keys($plan->places, 'b', true));
    }

    public function testAsManyAsCanBeFindAPlaceAndAsFewAsCanBeAreMoved(): void
    {
        $this
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(static function (int $seed): void {
                [$people, $sections, $there] = self::drawn(new Dice($seed));
                $plan = Latecomers::plan($people, $sections, $there, new Lot('seed'));
                $best = null;
                foreach (self::ways($people, $sections, $there) as $way) {
                    $best = null === $best ? $way : min($best, $way);
                }
                self::assertSame($best, self::score($plan->places, $people, $there));
                $held = array_count_values($plan->places);
                foreach ($sections as $section) {
                    self::assertLessThanOrEqual($section->places, $held[$section->id] ?? 0);
                }
            });
    }

    /** @return array{list<PlanPerson>, list<PlanSection>, array<string, string>} some of them there already */
    private static function drawn(Dice $dice): array
    {
        $ids = ['a', 'b', 'c'];
        $left = [];
        foreach ($ids as $id) {
            $left[$id] = $dice->below(3);
        }
        $sections = array_map(static fn(string $id): PlanSection => new PlanSection($id, $left[$id]), $ids);
        $people = $there = [];
        for ($n = $dice->between(1, 6); $n > 0; --$n) {
            $person = new PlanPerson("p$n", $dice->some($ids, $dice->below(3)), $dice->some($ids, $dice->below(2)));
            $people[] = $person;
            $at = $dice->one($ids);
            if ($dice->chance(60) && $left[$at] > 0 && null !== $person->rank($at)) {
                --$left[$at];
                $there[$person->id] = $at;
            }
        }

        return [$people, $sections, $there];
    }

    /**
     * Less is better at the first difference: who finds no place, then who is moved.
     *
     * @param array<string, string> $places
     * @param list<PlanPerson>      $people
     * @param array<string, string> $there
     *
     * @return list<int>
     */
    private static function score(array $places, array $people, array $there): array
    {
        $moved = array_filter(
            $there,
            static fn(string $at, string $person): bool => $at !== ($places[$person] ?? ''),
            \ARRAY_FILTER_USE_BOTH,
        );

        return [\count(array_diff_key($there, $places)), \count($people) - \count($places), \count($moved)];
    }

    /**
     * @param list<PlanPerson>      $people
     * @param list<PlanSection>     $sections
     * @param array<string, string> $there
     * @param array<string, string> $places
     *
     * @return iterable<list<int>> as `score()`, of every way there is
     */
    private static function ways(array $people, array $sections, array $there, array $places = [], int $n = 0): iterable
    {
        if (!isset($people[$n])) {
            yield self::score($places, $people, $there);

            return;
        }
        yield from self::ways($people, $sections, $there, $places, $n + 1);
        $held = array_count_values($places);
        foreach ($sections as $section) {
            if (($held[$section->id] ?? 0) < $section->places && null !== $people[$n]->rank($section->id)) {
                $more = [...$places, $people[$n]->id => $section->id];
                yield from self::ways($people, $sections, $there, $more, $n + 1);
            }
        }
    }
}
