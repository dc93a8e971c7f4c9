<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * A lot that anybody can draw again who knows the seed: for a person and a section the first digits of a hash (SHA-256)
 * of the seed and both. Sites that are planned together each keep their own seed.
 */
final readonly class Lot
{
    /** A lot is a whole number from 0 to one less than this. */
    public const OUT_OF = 1_048_576;

    /** @param array<string, string> $seeds by section, where it is not `seed` */
    public function __construct(public string $seed, public array $seeds = []) {}

    /** @param string $person as a question names them */
    public function of(string $person, string $section): int
    {
        $seed = $this->seeds[$section] ?? $this->seed;
        $who = Joint::personOf($person);

        return (int) hexdec(substr(hash('sha256', "$seed\n$who\n$section"), 0, 5));
    }

    /**
     * Of everybody, where they can be.
     *
     * @param list<PlanPerson>            $people
     * @param list<PlanSection>           $sections
     * @param array<int, array<int, int>> $can      by person and section, `Flow::NOWHERE` among them
     *
     * @return array<int, array<int, int>> by person and section
     *
     * @internal
     */
    public function all(array $people, array $sections, array $can): array
    {
        $lots = [];
        foreach ($can as $n => $own) {
            foreach ($own as $m => $_) {
                $lots[$n][$m] = $this->of($people[$n]->id, $sections[$m]->id ?? '');
            }
        }

        return $lots;
    }
}
