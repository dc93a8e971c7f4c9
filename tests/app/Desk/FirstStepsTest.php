<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Tests\App\ApiTestCase;

final class FirstStepsTest extends ApiTestCase
{
    public function testWhatIsThereIsDoneAndTheRestIsSaid(): void
    {
        $states = $this->states();
        self::assertSame(
            ['divisions', 'terms', 'numbers', 'people', 'site'],
            array_keys(array_filter($states, static fn(string $state): bool => 'done' === $state)),
        );
        $next = array_column($this->call('admin', 'GET', '/first-steps')['steps'], 'next', 'step');
        self::assertSame(['language', 'roles', 'name'], [$next['name'], $next['divisions'], $next['mail']]);
        self::assertSame('left-out', $this->say('mail', 'left-out')['mail']);
        self::assertSame('done', $this->say('mail', 'done')['mail']);
        self::assertSame('open', $this->say('mail', 'open')['mail']);
        self::assertSame('done', $this->say('terms', 'left-out')['terms'], 'There are terms.');
        $today = $this->call('admin', 'GET', '/today')['platform']['firstSteps'];
        self::assertSame($this->states(), array_column($today['steps'], 'state', 'step'));
        self::assertNull($this->call('elsewhere', 'GET', '/today')['platform']['firstSteps']);
        $this->call('admin', 'PUT', '/first-steps/dance', ['state' => 'done'], 404);
        $this->call('admin', 'PUT', '/first-steps/mail', ['state' => 'soon'], 422);
    }

    public function testANameAndALookAreThereForWhoeverComes(): void
    {
        self::assertSame(
            ['name' => 'Mint Door', 'mark' => '', 'light' => null, 'dark' => null, 'register' => false],
            $this->call(null, 'GET', '/look'),
        );
        $settings = $this->call('admin', 'GET', '/settings')['settings'];
        $body = static fn(array $look): array => ['settings' => [...$settings, 'name' => 'Elm Park', 'look' => $look]];
        $pale = $this->call('admin', 'PUT', '/settings', $body(['mark' => 'leaf', 'accent' => '#ffd400']));
        self::assertSame('look/accent', $pale['problems'][0]['where']);
        $would = $pale['problems'][0]['values']['would'];
        $good = [...$body(['mark' => 'leaf', 'accent' => $would]), 'apply' => true];
        $preview = $this->call('admin', 'PUT', '/settings', $good, 200, ['If-Match' => '"0"']);
        $look = $this->call(null, 'GET', '/look');
        self::assertSame($preview['look'], $look);
        self::assertSame(['Elm Park', 'leaf', $would], [$look['name'], $look['mark'], $look['light']['accent']]);
        self::assertSame('done', $this->states()['name']);
    }

    public function testReadyRolesMayBePutInForce(): void
    {
        $book = $this->call('admin', 'GET', '/rules');
        $sets = array_column($this->call('admin', 'GET', '/ready-roles')['items'], 'roles', 'set');
        self::assertSame(['school', 'higher-education', 'company'], array_keys($sets));
        self::assertSame(['juniors'], $sets['school'][4]['bands'][0]['divisions'], 'They are minors.');
        $rules = [...$book['rules'], 'roles' => $sets['higher-education']];
        $preview = $this->call('admin', 'PUT', '/rules', ['rules' => $rules]);
        self::assertSame([], $preview['problems']);
        $applied = ['rules' => $rules, 'apply' => true];
        $this->call('admin', 'PUT', '/rules', $applied, 200, ['If-Match' => '"'.$book['version'].'"']);
        self::assertSame('Student', array_column($this->roles(), 'name', 'code')['learner']);
        // Nobody loses a role without being asked about.
        $rules['roles'] = $sets['company'];
        self::assertContains(
            'still-held',
            array_column($this->call('admin', 'PUT', '/rules', ['rules' => $rules])['problems'], 'code'),
        );
    }

    public function testASiteMayBeOfNoTerm(): void
    {
        $body = ['title' => 'Safety', 'code' => 'SAFE', 'kind' => 'course', 'division' => 'seniors'];
        $site = $this->call('lead', 'POST', '/sites', $body, 201);
        self::assertNull($site['term']);
        self::assertNull($this->call('lead', 'GET', '/sites/'.$site['id'])['term']);
        self::assertSame(1, $this->call('lead', 'GET', '/sites?q=Safety')['count'] ?? 1);
        $version = ['If-Match' => '"'.$site['version'].'"'];
        $given = $this->call('lead', 'PUT', '/sites/'.$site['id'], [...$body, 'term' => 'autumn'], 200, $version);
        self::assertSame('autumn', $given['term']['code']);
        $this->call('lead', 'POST', '/sites/'.$site['id'].'/history/'.$given['entry'].'/undo');
        self::assertNull($this->call('lead', 'GET', '/sites/'.$site['id'])['term'], 'Taken back.');
        $door = ['kind' => 'key', 'role' => 'learner', 'stay' => 'term'];
        $this->call('lead', 'POST', '/sites/'.$site['id'].'/doors', $door, 201);
        $rows = $this->call('lead', 'POST', '/site-batches', ['text' => "Fire\nFirst aid", 'division' => 'seniors']);
        self::assertSame([[], []], array_column($rows['rows'], 'problems'));
    }

    /** @return list<array<string, mixed>> */
    private function roles(): array
    {
        return $this->call('admin', 'GET', '/platform')['roles'];
    }

    /** @return array<string, string> by step */
    private function states(): array
    {
        return array_column($this->call('admin', 'GET', '/first-steps')['steps'], 'state', 'step');
    }

    /** @return array<string, string> by step */
    private function say(string $step, string $state): array
    {
        $steps = $this->call('admin', 'PUT', "/first-steps/$step", ['state' => $state])['steps'];

        return array_column($steps, 'state', 'step');
    }
}
