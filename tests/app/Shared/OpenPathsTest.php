<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use MintDoor\Shared\OpenPaths;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** What is open to whoever is not signed in is said in three places, and is the same in all of them. */
final class OpenPathsTest extends TestCase
{
    public function testTheyAreTheSameForSecurityForBodiesAndForTheServerInFront(): void
    {
        $root = \dirname(__DIR__, 3);
        $security = Yaml::parseFile($root.'/config/packages/security.yaml');
        self::assertSame(OpenPaths::PATTERN, $security['security']['access_control'][0]['path']);
        preg_match(
            '#location ~ (\^/api/v1/\(.*)\{?$#m',
            (string) file_get_contents($root.'/config/serve/nginx.conf'),
            $found,
        );
        $served = rtrim($found[1] ?? self::fail('The server in front has no open paths.'), ' {');
        foreach (
            [
                'sign-in',
                'first-password',
                'forgotten-password',
                'join/look',
                'join/account',
                'previews/00000000-0000-0000-0000-000000000000',
            ] as $path
        ) {
            self::assertTrue(OpenPaths::has('/api/v1/'.$path), $path);
            self::assertMatchesRegularExpression('#'.$served.'#', '/api/v1/'.$path);
        }
        self::assertFalse(OpenPaths::has('/api/v1/me'));
        self::assertDoesNotMatchRegularExpression('#'.$served.'#', '/api/v1/me');
    }
}
