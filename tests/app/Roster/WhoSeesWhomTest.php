<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Roster;

use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\Sight;
use MintDoor\Demo\Dice;
use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;
use MintDoor\Tests\App\Bodies;
use MintDoor\Tests\App\Contract;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * No route shows anybody of a section to somebody who may not see its people: every route of the contract, by every
 * kind of caller, with people in sections at random. Held against the core's rule, which says who may be seen.
 */
final class WhoSeesWhomTest extends ApiTestCase
{
    use Bodies;

    private const SECTIONS = ['early', 'late', 'noon'];

    /** Callers, whose sections are dealt too, and the role of each. */
    private const ROLES = [
        'lead' => 'lead-tutor',
        'cotutor' => 'co-tutor',
        'assistant' => 'class-assistant',
        'helper' => 'class-assistant',
        'learner' => 'learner',
        'pupil1' => 'learner',
        'pupil2' => 'learner',
        'pupil3' => 'learner',
        'pupil4' => 'learner',
        'onlooker' => 'sit-in-observer',
        // Let in by the lead, who told them, labelled them and had them ask before.
        'pupil5' => 'learner',
    ];

    /** What is about a caller's own, or changes what the next call would see: each is called in a transaction. */
    private const NOT_ABOUT_SITES = ['POST /sign-out'];

    /** @var array<string, list<string>> ids of sections, by who is in them */
    private array $in = [];

    /** @return iterable<string, array{int}> */
    public static function deals(): iterable
    {
        foreach ([1, 2, 3] as $seed) {
            yield "deal $seed" => [$seed];
        }
    }

    #[DataProvider('deals')]
    public function testNoRouteShowsSomebodyOfASectionOneMayNotSee(int $seed): void
    {
        $this->deal(new Dice($seed));
        $shown = [];
        foreach (Contract::get()->operations() as $operation) {
            if (\in_array($operation, self::NOT_ABOUT_SITES, true)) {
                continue;
            }
            foreach (['cotutor', 'assistant', 'learner', 'pupil1', 'onlooker'] as $caller) {
                $unseen = $this->unseen($caller);
                foreach ([] === $unseen ? [] : $this->paths($operation, $unseen) as $path) {
                    foreach ($this->answer($caller, $operation, $path, $unseen) as $who) {
                        $shown[] = "$operation ($path) shows $who to $caller";
                    }
                }
            }
        }
        self::assertSame([], array_values(array_unique($shown)));
    }

    /** A rule that hides everybody would hold, too. */
    #[DataProvider('deals')]
    public function testRostersShowEverybodyElse(int $seed): void
    {
        $this->deal(new Dice($seed));
        foreach (['lead', 'cotutor', 'assistant', 'helper'] as $caller) {
            $rows = $this->call($caller, 'GET', $this->path().'/roster?unlisted=1')['items'];
            $ids = array_map(static fn(array $row): string => $row['person']['id'], $rows);
            $expected = array_diff(array_keys(self::ROLES), array_keys($this->unseen($caller)));
            $expected = array_map(fn(string $name): string => $this->ids[$name], array_values($expected));
            self::assertEqualsCanonicalizing($expected, $ids, $caller);
        }
    }

    /** @return list<string> names of those it shows and must not */
    private function answer(string $caller, string $operation, string $path, array $unseen): array
    {
        [$method] = explode(' ', $operation);
        $body = $this->body($operation);
        if (isset($body['lines']) && 'POST /sites/{site}/change-lists' === $operation) {
            $body = ['apply' => false, 'lines' => array_map(
                fn(string $who): array => ['person' => $this->ids[$who], 'verb' => 'pause'],
                array_keys($unseen),
            )];
        }
        $this->db()->beginTransaction();
        $this->call($caller, $method, $path, $body, null, ['If-Match' => '"1"']);
        $text = (string) $this->client->getInternalResponse()->getContent();
        $this->db()->rollBack();
        // Whoever names somebody by their id is answered with it, never with more.
        $named = implode(' ', [$path, json_encode($body)]);
        $shown = [];
        foreach ($unseen as $name => $family) {
            $byId = str_contains($text, $this->ids[$name]) && !str_contains($named, $this->ids[$name]);
            if ($byId || $this->says($text, $family, $operation, $body)) {
                $shown[] = $name;
            }
        }

        return $shown;
    }

    /** Names of people are in answers; what a caller sent themselves is not told to them by it. */
    private function says(string $text, string $family, string $operation, mixed $body): bool
    {
        return str_contains($text, $family)
            && !str_contains((string) json_encode($body), $family)
            // A single line says whose it is.
            && 'POST /sites/{site}/change-lists' !== $operation;
    }

    /**
     * @param array<string, string> $unseen
     *
     * @return list<string> addresses at which an operation is tried
     */
    private function paths(string $operation, array $unseen): array
    {
        [, $template] = explode(' ', $operation);
        $someone = $this->ids[array_key_first($unseen)];
        $path = strtr($template, [
            '{site}' => $this->ids['site'],
            '{person}' => $someone,
            '{sequence}' => '1',
            '{changeList}' => $this->ids['list'],
            '{view}' => Id::NONE,
            '{door}' => $this->ids['door'],
            '{wait}' => '1',
            '{note}' => Id::NONE,
            '{one}' => $someone,
            '{other}' => $this->ids['colleague'],
            '{kind}' => 'let-in',
            '{step}' => 'terms',
            '{division}' => 'seniors',
            '{registration}' => Id::NONE,
            '{session}' => str_repeat('0', 32),
            '{item}' => 'welcome',
        ]);
        $queries = match ($operation) {
            'GET /sites/{site}/roster' => [
                '',
                '?unlisted=1',
                '?state=removed',
                '?q=pupil',
                '?section=none',
                '?sort=section',
                '?asOf=2026-12-01',
                '?section='.$this->ids['late'],
                '?as=role:class-assistant',
                '?as=role:learner',
            ],
            'GET /sites/{site}/intake' => ['?q=pupil', '?q=X77PUPIL1'],
            'GET /sites/{site}/roster-changes' => ['?from=2026-01-01&until=2026-12-31'],
            'GET /sites/{site}/first-day-check', 'GET /first-day-check' => ['?day=2026-12-01'],
            'GET /sites/{site}/progress' => ['', '?items=1&gone=1'],
            'GET /directory/ids' => ['?site='.$this->ids['site']],
            'GET /directory' => ['?site='.$this->ids['site'], '?q=pupil&site='.$this->ids['site']],
            'GET /sites/{site}/history' => ['', '?q=pupil'],
            'GET /people' => [],
            default => [''],
        };
        // The directory of one's own division is everybody's who works there, in whatever site people are.
        $directory = str_starts_with($template, '/people') || str_starts_with($template, '/duplicates')
            || \in_array($template, ['/directory', '/directory/ids', '/merges', '/account-batches', '/readings'], true);

        return $directory && !str_contains($operation, 'GET /directory')
            ? []
            : array_map(static fn(string $query): string => $path.$query, $queries);
    }

    /** @return array<string, string> family names of those whom a caller does not see in the site, by their name */
    private function unseen(string $caller): array
    {
        $book = FirstRoles::book(['juniors'], ['seniors']);
        $reach = Sight::reach([self::ROLES[$caller]], $this->in[$caller], $book);
        [$always, $inNone] = Sight::seenByAll($book);
        $unseen = [];
        foreach (self::ROLES as $name => $role) {
            $seen = null === $reach
                || $name === $caller
                || \in_array($role, $always, true)
                || ([] === $this->in[$name] && \in_array($role, $inNone, true))
                || [] !== array_intersect($this->in[$name], $reach);
            if (!$seen) {
                $unseen[$name] = ucfirst($name).'sen';
            }
        }

        return $unseen;
    }

    private function deal(Dice $dice): void
    {
        $sections = array_map(static fn(string $name): array => ['name' => $name], self::SECTIONS);
        $this->db()->executeStatement('UPDATE site SET seats = NULL');
        $version = $this->call('lead', 'GET', $this->path())['version'];
        $made = $this->call(
            'lead',
            'PUT',
            $this->path().'/sections',
            ['sections' => $sections, 'apart' => true, 'several' => true],
            200,
            ['If-Match' => "\"$version\""],
        )['sections'];
        $this->ids += array_combine(self::SECTIONS, array_column($made, 'id'));
        $this->ids['door'] = $this->call('lead', 'POST', $this->path().'/doors', ['kind' => 'key'], 201)['id'];
        $this->in = [];
        $lines = [];
        foreach (array_keys(self::ROLES) as $name) {
            $few = array_values(array_filter(self::SECTIONS, static fn(): bool => $dice->chance(35)));
            // Those whose eyes it is about are kept to something, and somebody is never seen by them.
            $few = match ($name) {
                'cotutor', 'assistant' => [$dice->one(['early', 'noon'])],
                'pupil4', 'pupil5' => ['late'],
                'lead' => [],
                default => $few,
            };
            $this->in[$name] = array_map(fn(string $section): string => $this->ids[$section], $few);
            $lines[] = [
                'person' => $this->ids[$name],
                'verb' => 'change-sections',
                'sections' => $this->in[$name],
            ];
        }
        $let = ['person' => $this->ids['pupil5'], 'verb' => 'let-in', 'role' => 'learner'];
        $this->call('lead', 'POST', $this->path().'/change-lists', ['lines' => [$let], 'tell' => 'Come in']);
        $labelled = ['people' => [$this->ids['pupil5'], $this->ids['pupil4']], 'label' => 'strings', 'on' => true];
        $this->call('lead', 'POST', $this->path().'/labels', $labelled);
        $body = ['lines' => $lines, 'tell' => ''];
        $this->ids['list'] = $this->call('lead', 'POST', $this->path().'/change-lists', $body)['changeList']['id']
            ?? Id::NONE;
    }

    protected function furnish(): void
    {
        parent::furnish();
        foreach (self::ROLES as $name => $role) {
            if (!isset($this->ids[$name])) {
                $kind = 'learner' === $role ? 'learner' : 'staff';
                $of = 'learner' === $kind ? 'seniors' : 'faculty';
                $this->ids[$name] = $this->person($name, $kind, $of, 'learner' === $kind ? 7 : null);
                if ('pupil5' !== $name) {
                    $since = $this->now() - 1_000_000;
                    $lead = $this->ids['lead'];
                    $this->platform->letIn($this->ids['site'], $this->ids[$name], $role, $since, by: $lead);
                }
            }
        }
    }

    private function path(): string
    {
        return '/sites/'.$this->ids['site'];
    }
}
