<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Plans;

use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/** A site with three sections, and three learners who may wish. */
abstract class PlanCase extends ApiTestCase
{
    /** @var array<string, string> ids by name */
    protected array $sections = [];

    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['third'] = $this->person('third', 'learner', 'seniors', 7);
    }

    protected function setUp(): void
    {
        parent::setUp();
        $made = $this->put('sections', ['sections' => [
            ['name' => 'Morning', 'seats' => 2],
            ['name' => 'Noon'],
            ['name' => 'Evening', 'seats' => 1],
        ]]);
        $this->sections = array_column($made['sections'], 'id', 'name');
        $this->db()->executeStatement('UPDATE site SET seats = NULL');
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $this->change('lead', 'let-in', 'third', 'learner');
    }

    /** @return array{wishesFrom: ?string, wishesUntil: ?string} as they are */
    protected function days(): array
    {
        $plan = $this->call('lead', 'GET', $this->path())['plan'];

        return ['wishesFrom' => $plan['wishesFrom'], 'wishesUntil' => $plan['wishesUntil']];
    }

    /**
     * @param ?array<string, ?int>  $places by the name of the section
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    protected function plan(
        ?array $places = null,
        ?string $until = null,
        array $more = [],
        int $expected = 200,
        string $site = 'site',
    ): array {
        $places ??= array_fill_keys(array_keys($this->sections), null);
        $sections = [];
        foreach ($places as $name => $n) {
            $sections[] = ['id' => $this->sections[$name], 'places' => $n];
        }
        $version = $this->call('lead', 'GET', $this->path(site: $site))['plan']['version'] ?? 1;
        $body = [
            'sections' => $sections,
            'moves' => 'nobody',
            'stays' => [],
            'wishesFrom' => null,
            'wishesUntil' => $until,
            ...$more,
        ];

        return $this->call(
            'lead',
            'PUT',
            $this->path(site: $site),
            $body,
            $expected,
            ['If-Match' => "\"$version\""]
        );
    }

    /** @param list<string> $sections by their names */
    protected function wish(string $who, array $sections, int $expected = 200, string $site = 'site'): void
    {
        $body = ['sections' => array_map(fn(string $name): string => $this->sections[$name], $sections)];
        $this->call($who, 'PUT', '/me/wishes/'.$this->planId($site), $body, $expected);
    }

    protected function planId(string $site = 'site'): string
    {
        $id = $this->db()->fetchOne('SELECT id FROM site_plan WHERE site_id = ?', [Id::binary($this->ids[$site])]);

        return Id::text(\is_string($id) ? $id : '');
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    protected function put(string $what, array $body, string $site = 'site'): array
    {
        $path = '/sites/'.$this->ids[$site];
        $version = $this->call('lead', 'GET', $path)['version'];

        return $this->call('lead', 'PUT', "$path/$what", $body, 200, ['If-Match' => "\"$version\""]);
    }

    protected function path(string $more = '', string $site = 'site'): string
    {
        return '/sites/'.$this->ids[$site].'/plan'.$more;
    }
}
