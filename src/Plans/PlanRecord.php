<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Conditions;
use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\Plan;
use MintDoor\Core\Plans\Planner;
use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Core\Plans\Question;

/** What a plan was computed from, so that whoever has it and the seed can compute it again. */
final readonly class PlanRecord
{
    /**
     * @param list<PlanPerson>      $people
     * @param list<PlanSection>     $sections
     * @param array<string, string> $stay     section by person, of those who stay where they are
     * @param array<string, string> $there    section by person, of those who move only to make room
     * @param array<string, string> $seeds    by section, where several sites are planned together
     */
    private function __construct(
        public array $people,
        public array $sections,
        public array $stay,
        public array $there,
        public Conditions $conditions,
        public array $seeds,
    ) {}

    /** @param array<string, string> $seeds by section */
    public static function of(Question $question, array $seeds = []): self
    {
        return new self(
            $question->people,
            $question->sections,
            $question->stay,
            $question->there,
            $question->conditions,
            $seeds,
        );
    }

    /** @param array<array-key, mixed> $kept as `kept()` */
    public static function read(array $kept): self
    {
        $text = static fn(mixed $value): string => \is_string($value) ? $value : '';
        $ids = static fn(mixed $value): array => array_values(array_filter((array) $value, is_string(...)));
        $people = $sections = [];
        foreach ((array) ($kept['people'] ?? []) as $one) {
            $one = (array) $one;
            $people[] = new PlanPerson(
                $text($one['id'] ?? ''),
                $ids($one['wishes'] ?? []),
                $ids($one['cannot'] ?? []),
                true === ($one['placed'] ?? false),
            );
        }
        foreach ((array) ($kept['sections'] ?? []) as $one) {
            $one = (array) $one;
            $places = $one['places'] ?? 0;
            $sections[] = new PlanSection($text($one['id'] ?? ''), \is_int($places) ? max(0, $places) : 0);
        }
        $by = static function (mixed $value, string $key, string $what) use ($text): array {
            $by = [];
            foreach ((array) $value as $one) {
                $one = (array) $one;
                $by[$text($one[$key] ?? '')] = $text($one[$what] ?? '');
            }

            return $by;
        };

        return new self(
            $people,
            $sections,
            $by($kept['stay'] ?? [], 'person', 'section'),
            $by($kept['there'] ?? [], 'person', 'section'),
            ConditionsCodec::read((array) ($kept['conditions'] ?? [])),
            $by($kept['seeds'] ?? [], 'section', 'seed'),
        );
    }

    /** @return array<string, mixed> */
    public function kept(): array
    {
        return [
            'people' => array_map(get_object_vars(...), $this->people),
            'sections' => array_map(get_object_vars(...), $this->sections),
            'stay' => self::pairs($this->stay, 'person', 'section'),
            'there' => self::pairs($this->there, 'person', 'section'),
            'conditions' => ConditionsCodec::kept($this->conditions),
            'seeds' => self::pairs($this->seeds, 'section', 'seed'),
        ];
    }

    /**
     * @param string                    $seed   of the site; several have the first of theirs in the order of letters
     * @param ?\Closure(int, int): bool $goesOn as of `Planner`
     */
    public function plan(string $seed, ?\Closure $goesOn = null): Plan
    {
        return Planner::plan(
            $this->people,
            $this->sections,
            $this->stay,
            $this->there,
            $this->conditions,
            new Lot([] === $this->seeds ? $seed : min($this->seeds), $this->seeds),
            $goesOn,
        );
    }

    /**
     * @param array<string, string> $all
     *
     * @return list<array<string, string>>
     */
    private static function pairs(array $all, string $key, string $what): array
    {
        $pairs = [];
        foreach ($all as $one => $other) {
            $pairs[] = [$key => (string) $one, $what => $other];
        }

        return $pairs;
    }
}
