<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\People;

use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/** Kinds of people that a platform has beside the four. */
final class OwnKindsTest extends ApiTestCase
{
    private const ALUMNI = ['code' => 'alumni', 'name' => 'Alumna', 'like' => 'learner', 'roles' => ['day-guest']];

    protected function setUp(): void
    {
        parent::setUp();
        $this->settle(['kinds' => [self::ALUMNI]]);
    }

    public function testTheyAreKeptToTheirRoles(): void
    {
        $page = $this->become('newcomer', 'alumni');
        self::assertSame(['learner', 'alumni'], [$page['person']['kind'], $page['person']['ownKind']]);
        $line = $this->change('lead', 'let-in', 'newcomer', 'learner', 409)['line'];
        self::assertSame(
            ['refused', 'wrong-kind', 'Alumna'],
            [$line['verdict'], $line['reasons'][0]['code'], $line['reasons'][0]['values']['own'] ?? ''],
        );
        $this->become('newcomer', null);
        self::assertSame('ready', $this->change('lead', 'let-in', 'newcomer', 'learner')['verdict']);
    }

    public function testOnlyOnesLikeThemAreTheirs(): void
    {
        $this->become('colleague', 'alumni', 422);
        $this->become('newcomer', 'nobody', 422);
        $this->become('newcomer', 'alumni', 403, 'lead');
    }

    /** Whoever knows a key still comes in as nothing that their kind may not be. */
    public function testADoorKeepsThemToTheirRolesToo(): void
    {
        $door = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', [], 201);
        $this->become('newcomer', 'alumni');
        $this->call('newcomer', 'POST', '/join', ['key' => $door['key']], 409);
        self::assertArrayNotHasKey('newcomer', $this->roster());
        $this->become('newcomer', null);
        $this->call('newcomer', 'POST', '/join', ['key' => $door['key']]);
        self::assertArrayHasKey('newcomer', $this->roster());
    }

    public function testAKindStaysWhileSomebodyIsOfIt(): void
    {
        $this->become('newcomer', 'alumni');
        $book = $this->call('admin', 'GET', '/settings');
        $look = fn(array $kinds): array => array_column($this->call('admin', 'PUT', '/settings', [
            'settings' => [...$book['settings'], 'kinds' => $kinds],
        ])['problems'], 'code', 'where');
        self::assertSame(['kinds' => 'kind-in-use'], $look([]));
        self::assertSame(
            ['kinds/0/like' => 'kind-in-use'],
            $look([[...self::ALUMNI, 'like' => 'external', 'roles' => []]]),
        );
        self::assertSame(['kinds/0/roles' => 'role-of-others'], $look([[...self::ALUMNI, 'roles' => ['lead-tutor']]]));
        self::assertSame([], $look([[...self::ALUMNI, 'name' => 'Former learner']]));
        $touched = $this->call('admin', 'PUT', '/settings', [
            'settings' => [...$book['settings'], 'kinds' => [[...self::ALUMNI, 'roles' => []]]],
        ])['touched'];
        self::assertSame([['how' => 'kind-roles', 'name' => 'Alumna', 'people' => 1]], $touched);
        $kinds = $this->call('learner', 'GET', '/platform')['kinds'];
        self::assertSame([['code' => 'alumni', 'name' => 'Alumna', 'like' => 'learner']], $kinds);
        self::assertSame(
            ['Newcomer'],
            array_map(
                static fn(array $item): string => $item['person']['given'],
                $this->call('admin', 'GET', '/directory?kind=alumni')['items'],
            ),
        );
        self::assertSame(1, $this->call('admin', 'GET', '/directory?kind=alumni')['total']);
    }

    /** @return array<array-key, mixed> */
    private function become(string $who, ?string $kind, int $status = 200, string $as = 'admin'): array
    {
        $person = $this->db()->fetchAssociative(
            'SELECT version, given_name AS given, family_name AS family, level, number, email FROM person WHERE id = ?',
            [Id::binary($this->ids[$who])],
        ) ?: throw new \LogicException();
        $version = $person['version'];
        unset($person['version']);

        return $this->call(
            $as,
            'PUT',
            '/people/'.$this->ids[$who],
            [...$person, 'ownKind' => $kind],
            $status,
            ['If-Match' => '"'.(\is_scalar($version) ? $version : '').'"'],
        );
    }
}
