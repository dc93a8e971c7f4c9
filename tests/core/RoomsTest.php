<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core;

use PHPUnit\Framework\TestCase;

final class RoomsTest extends TestCase
{
    public function testNoRoomUsesOneThatComesLater(): void
    {
        self::assertSame([], (new Rooms(\dirname(__DIR__, 2)))->upward());
    }

    /** Where it does not: the table of the message goes into the document. */
    public function testTheDocumentShowsTheOrder(): void
    {
        $root = \dirname(__DIR__, 2);
        self::assertStringContainsString(
            (new Rooms($root))->table(),
            (string) file_get_contents("$root/docs/architecture.md"),
        );
    }

    public function testAnArrowUpIsSeen(): void
    {
        $root = sys_get_temp_dir().'/rooms-'.bin2hex(random_bytes(4));
        $files = [
            'core/Roles/RoleBook.php' => "<?php\nuse MintDoor\\Core\\Roster\\Segment;\n",
            'src/Roster/Gate.php' => "<?php\nuse MintDoor\\Core\\Changes\\Verb;\nuse MintDoor\\Shared\\Id;\n",
            'frontend/src/people/PeoplePage.vue' => "<script>\nimport x from '@/roster/roster'\n</script>",
            'src/Attic/Box.php' => "<?php\nuse MintDoor\\Shared\\Id;\n",
        ];
        foreach ($files as $path => $content) {
            @mkdir(\dirname("$root/$path"), 0o777, true);
            file_put_contents("$root/$path", $content);
        }
        self::assertEqualsCanonicalizing(
            [
                'core/Roles/RoleBook.php uses Roster',
                'src/Roster/Gate.php uses Changes',
                'frontend/people/PeoplePage.vue uses Roster',
                'src/Attic/Box.php uses Shared',
            ],
            (new Rooms($root))->upward(),
        );
        exec('rm -r '.escapeshellarg($root));
    }
}
