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
     */
    private function __construct(
        public array $people,
        public array $sections,
        public array $stay,
        public array $there,
        public Conditions $conditions,
    ) {}

    public static function of(Question $question): self
    {
        return new self(
            $question->people,
            $question->sections,
            $question->stay,
            $question->there,
            $question->conditions,
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
        $where = static function (mixed $value) use ($text): array {
            $where = [];
            foreach ((array) $value as $one) {
                $one = (array) $one;
                $where[$text($one['person'] ?? '')] = $text($one['section'] ?? '');
            }

            return $where;
        };

        return new self(
            $people,
            $sections,
            $where($kept['stay'] ?? []),
            $where($kept['there'] ?? []),
            ConditionsCodec::read((array) ($kept['conditions'] ?? [])),
        );
    }

    /** @return array<string, mixed> */
    public function kept(): array
    {
        return [
            'people' => array_map(get_object_vars(...), $this->people),
            'sections' => array_map(get_object_vars(...), $this->sections),
            'stay' => self::where($this->stay),
            'there' => self::where($this->there),
            'conditions' => ConditionsCodec::kept($this->conditions),
        ];
    }

    /** @param ?\Closure(int, int): bool $goesOn as of `Planner` */
    public function plan(Lot $lot, ?\Closure $goesOn = null): Plan
    {
        return Planner::plan(
            $this->people,
            $this->sections,
            $this->stay,
            $this->there,
            $this->conditions,
            $lot,
            $goesOn,
        );
    }

    /**
     * @param array<string, string> $where
     *
     * @return list<array{person: string, section: string}>
     */
    private static function where(array $where): array
    {
        $all = [];
        foreach ($where as $person => $section) {
            $all[] = ['person' => (string) $person, 'section' => $section];
        }

        return $all;
    }
}
