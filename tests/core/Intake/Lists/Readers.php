<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\KnownName;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\Intake\Wording;
use MintDoor\Core\People\NameKind;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Platform\Levels;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\NameKeys;
use MintDoor\Core\Text\Nicknames;
use MintDoor\Core\Time\Time;
use MintDoor\Tests\Core\Intake\Evaluation;

/**
 * Those who read the lists: the matcher, with people looked up by the keys the database looks them up by, and what
 * comes to mind first.
 */
final class Readers
{
    private const NOW = 1_000;

    /** @var list<Known> */
    private array $known = [];

    /** @var array<string, list<int>> */
    private array $byKey = [];

    /** @var array<string, list<int>> */
    private array $byIdentifier = [];

    /** @var array<string, list<string>> names by what is left of them when a letter is left out */
    private array $bySlip = [];

    private PastedText $text;

    private Nicknames $nicknames;

    public function __construct(private readonly Town $town)
    {
        $this->nicknames = new Nicknames();
        $names = [];
        foreach ($town->people as $at => $one) {
            $this->known[] = $known = self::known($one);
            foreach ($known->keys() as $key) {
                $this->byKey[$key][] = $at;
            }
            foreach ($known->identifiers as $identifier) {
                $this->byIdentifier[$identifier][] = $at;
                $this->byIdentifier[explode('@', $identifier)[0]][] = $at;
            }
            $names += array_fill_keys($known->names(), true);
        }
        foreach (array_map(strval(...), array_keys($names)) as $name) {
            foreach (NameKeys::slips($name) as $slip) {
                $this->bySlip[$slip][] = $name;
            }
        }
        $tree = new DivisionTree([
            ...array_map(
                static fn(string $code): Division => new Division(
                    $code,
                    Town::DIVISIONS[$code],
                    levels: match ($code) {
                        'summer' => new Levels(1, Town::SUMMER_LEVELS),
                        'guild' => new Levels(1, []),
                        default => null,
                    },
                ),
                array_keys(Town::DIVISIONS),
            ),
        ]);
        $this->text = new PastedText(Evaluation::formats(), Town::DIVISIONS, new LevelNames($tree));
    }

    /** @return list<Answer> */
    public function matcher(WholeList $list): array
    {
        return array_map(self::answer(...), $this->raw($list));
    }

    /** @return list<Reading> */
    public function raw(WholeList $list): array
    {
        $lines = $this->text->lines($list->text());
        $slips = [];
        foreach (Wording::words($lines) as $word) {
            foreach (NameKeys::slips($word) as $slip) {
                $slips += array_fill_keys($this->bySlip[$slip] ?? [], true);
            }
        }
        $wording = new Wording($this->nicknames, array_map(strval(...), array_keys($slips)), $lines);
        $matcher = new Matcher(Evaluation::formats(), $wording);
        $some = [];
        foreach ($lines as $line) {
            if (!$line->person) {
                continue;
            }
            foreach ($wording->keys($line) as $key) {
                $some += array_fill_keys($this->byKey[$key] ?? [], true);
            }
            foreach ($matcher->identifiers($line) as $identifier) {
                $some += array_fill_keys($this->byIdentifier[mb_strtolower($identifier)] ?? [], true);
            }
        }
        $for = new Circumstances(
            new Site('s', $list->division, new LevelBand(...$list->levels)),
            array_map(PersonKind::from(...), $list->kinds),
            now: self::NOW,
        );

        return $matcher->read($lines, array_values(array_intersect_key($this->known, $some)), $for);
    }

    /**
     * Identifiers in full, names in full, and otherwise the name most like the line of those that begin alike.
     *
     * @return list<Answer>
     */
    public function baseline(WholeList $list): array
    {
        static $exactly = null;
        static $alike = null;
        if (null === $exactly) {
            foreach ($this->town->people as $one) {
                foreach (array_filter([$one->number, $one->login, $one->email, $one->name()]) as $text) {
                    $exactly[mb_strtolower($text)] ??= $one->id;
                }
                $alike[mb_strtolower(mb_substr($one->name(), 0, 2))][] = [mb_strtolower($one->name()), $one->id];
            }
        }
        $answers = $seen = [];
        foreach ($list->lines as $at => $line) {
            $typed = mb_strtolower(trim($line->text));
            $who = $exactly[$typed] ?? null;
            $best = 0.0;
            foreach (null === $who ? $alike[mb_substr($typed, 0, 2)] ?? [] : [] as [$name, $id]) {
                similar_text($typed, $name, $percent);
                if ($percent > $best && $percent > 60) {
                    [$best, $who] = [$percent, $id];
                }
            }
            $answers[] = null === $who
                ? new Answer($at, 'unknown')
                : new Answer($at, isset($seen[$who]) ? 'repeat' : 'match', [$who]);
            null === $who || ($seen[$who] = true);
        }

        return $answers;
    }

    private static function answer(Reading $reading): Answer
    {
        return new Answer(
            $reading->line->number - 1,
            Outcome::NoPerson === $reading->outcome ? 'nobody' : $reading->outcome->value,
            array_map(static fn($each): string => $each->known->person->id, $reading->candidates),
        );
    }

    private static function known(Resident $one): Known
    {
        return new Known(
            new Person(
                $one->id,
                PersonKind::from($one->kind),
                $one->division,
                $one->level,
                $one->open ? Time::FOREVER : self::NOW - 1,
            ),
            Folding::tokens($one->givenNames()),
            Folding::tokens($one->family),
            Folding::tokens((string) $one->preferred),
            array_map(
                static fn(array $name): KnownName => KnownName::of(
                    NameKind::from($name['kind']),
                    $name['given'],
                    $name['family'],
                ),
                $one->further,
            ),
            array_map(
                Folding::identifier(...),
                array_values(array_filter([$one->number, $one->login, (string) $one->email])),
            ),
        );
    }
}
