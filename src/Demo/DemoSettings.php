<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\Term;
use MintDoor\Core\Roles\Rules;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Roles\RulesCodec;
use Symfony\Component\Yaml\Yaml;

/** The settings and rules of the demo, from a file as any platform could bring it in. */
final readonly class DemoSettings
{
    private const FILE = __DIR__.'/platform.yaml';

    private const DAY = 86_400;

    private function __construct(public Settings $settings, public Rules $rules) {}

    public static function read(): self
    {
        $data = (array) Yaml::parseFile(self::FILE);

        return new self(
            SettingsCodec::read((array) ($data['settings'] ?? [])),
            RulesCodec::read((array) ($data['rules'] ?? [])),
        );
    }

    /**
     * The same, with terms moved so that the first begins on a day; their codes and names speak of the year they begin
     * in then.
     *
     * @param int $day instant of its beginning, UTC
     */
    public function from(int $day): self
    {
        $settings = $this->settings;
        $by = $day - self::instant($settings->terms[0]->startsOn ?? gmdate('Y-m-d', $day));
        $terms = array_map(static function (Term $term) use ($by): Term {
            $moved = static fn(string $day): string => gmdate('Y-m-d', self::instant($day) + $by);
            $year = substr($moved($term->startsOn), 0, 4);
            $dated = static fn(string $text): string => (string) preg_replace('/\d{4}$/', $year, $text);

            return new Term(
                $dated($term->code),
                $dated($term->name),
                $moved($term->startsOn),
                $moved($term->endsOn),
                $term->division,
            );
        }, $settings->terms);

        return new self($settings->withTerms($terms), $this->rules);
    }

    private static function instant(string $day): int
    {
        return (int) strtotime($day.' 00:00 UTC');
    }

    /** Beginning of the first term, where a day is in its week twelve. */
    public static function firstDay(int $monday): int
    {
        return $monday - 77 * self::DAY;
    }
}
