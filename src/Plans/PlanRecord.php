<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Core\Plans\Question;

/** What a plan was computed from, so that whoever has it and the seed can compute it again. */
final readonly class PlanRecord
{
    /**
     * @param list<PlanPerson>  $people
     * @param list<PlanSection> $sections
     * @param array<string, string> $there section by person, of those who move only to make room
     */
    private function __construct(public array $people, public array $sections, public array $there) {}

    public static function of(Question $question): self
    {
        return new self($question->people, $question->sections, $question->there);
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
                true === ($one['placed'] ?? false)
            );
        }
        foreach ((array) ($kept['sections'] ?? []) as $one) {
            $one = (array) $one;
            $places = $one['places'] ?? 0;
            $sections[] = new PlanSection($text($one['id'] ?? ''), \is_int($places) ? max(0, $places) : 0);
        }

        $there = [];
        foreach ((array) ($kept['there'] ?? []) as $one) {
            $one = (array) $one;
            $there[$text($one['person'] ?? '')] = $text($one['section'] ?? '');
        }

        return new self($people, $sections, $there);
    }

    /** @return array<string, mixed> */
    public function kept(): array
    {
        return [
            'people' => array_map(get_object_vars(...), $this->people),
            'sections' => array_map(get_object_vars(...), $this->sections),
            'there' => $this->whereTheyAre(),
        ];
    }

    /** @return list<array{person: string, section: string}> */
    public function whereTheyAre(): array
    {
        $all = [];
        foreach ($this->there as $person => $section) {
            $all[] = ['person' => (string) $person, 'section' => $section];
        }

        return $all;
    }
}
