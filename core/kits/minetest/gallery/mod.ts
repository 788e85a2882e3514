/**
 * The gallery: a mod that builds a world once, in which every block stands to be walked round. It
 * goes on living in that world, for its labels and chests.
 */
export const galleryLua = String.raw`-- Builds the gallery once: what stands in it is said by exhibits.lua.
local folder = minetest.get_modpath("obrank_gallery")
local exhibits = dofile(folder .. "/exhibits.lua")
local storage = minetest.get_mod_storage()

minetest.register_node("obrank_gallery:floor", {
	description = "Floor", tiles = { "obrank_gallery_floor.png" }, groups = { obrank = 1 },
})
minetest.register_node("obrank_gallery:wall", {
	description = "Wall", tiles = { "obrank_gallery_wall.png" }, groups = { obrank = 1 },
})
minetest.register_node("obrank_gallery:water", {
	description = "Water", drawtype = "liquid", tiles = { "obrank_gallery_water.png" },
	special_tiles = { "obrank_gallery_water.png" }, use_texture_alpha = "blend",
	paramtype = "light", walkable = false, pointable = false, buildable_to = true,
	liquidtype = "source", liquid_range = 0, liquid_renewable = false,
	liquid_alternative_source = "obrank_gallery:water",
	liquid_alternative_flowing = "obrank_gallery:water",
	sunlight_propagates = true, post_effect_color = { a = 60, r = 30, g = 90, b = 100 },
})
minetest.register_node("obrank_gallery:chest", {
	description = "Chest", tiles = { "obrank_gallery_wall.png" }, groups = { obrank = 1 },
	on_construct = function(pos)
		local meta = minetest.get_meta(pos)
		meta:get_inventory():set_size("main", 32)
		meta:set_string("formspec", "size[8,9]list[context;main;0,0;8,4;]list[current_player;main;0,5;8,4;]")
	end,
})

-- A label that hangs in the air.
minetest.register_entity("obrank_gallery:label", {
	initial_properties = {
		physical = false, pointable = false, visual = "sprite", visual_size = { x = 0, y = 0 },
		textures = { "obrank_gallery_clear.png" }, static_save = false,
	},
	on_activate = function(self, words)
		self.words = words
		self.object:set_properties({ nametag = words, nametag_color = "#1c2a30",
			nametag_bgcolor = { a = 200, r = 255, g = 254, b = 251 } })
	end,
})

minetest.register_node("obrank_gallery:mark", {
	description = "Mark", tiles = { "obrank_gallery_floor.png" }, groups = { obrank = 1 },
})
minetest.register_lbm({
	name = "obrank_gallery:labels", nodenames = { "obrank_gallery:mark" },
	run_at_every_load = true,
	action = function(pos)
		local meta = minetest.get_meta(pos)
		local at = { x = pos.x, y = pos.y + meta:get_float("up"), z = pos.z }
		minetest.add_entity(at, "obrank_gallery:label", meta:get_string("words"))
	end,
})

local function put(x, y, z, name, byte, words)
	local pos = { x = x, y = y, z = z }
	minetest.set_node(pos, { name = name, param2 = byte or 0 })
	if words then minetest.get_meta(pos):set_string("infotext", words) end
end
-- A piece of the floor that hangs its label up whenever it comes into sight.
local function label(x, y, z, words)
	local pos = { x = x, y = 0, z = z }
	minetest.set_node(pos, { name = "obrank_gallery:mark" })
	minetest.get_meta(pos):set_string("words", words)
	minetest.get_meta(pos):set_float("up", y)
end
local function floor(from_x, to_x, from_z, to_z)
	for x = from_x, to_x do for z = from_z, to_z do put(x, 0, z, "obrank_gallery:floor") end end
end

-- The looks of each block side by side, near where one comes in.
local function overview(at, one)
	local x, z = (at % 6) * 3, math.floor(at / 6) * 5
	floor(x - 2, x + 2, z - 2, z + 2)
	put(x, 1, z, one.states[1][1], one.states[1][2], one.states[1][3])
	label(x, 0.6, z - 2, one.title)
	if one.other then put(x, 1, z + 2, one.other[1], one.other[2], one.other[3]) end
end

-- A bay for a block: every state on a grid, the material in a wall, in the dark, at the water's
-- edge and below, and what drops in a chest.
local function bay(z, one)
	floor(-22, 34, z - 1, z + 8)
	label(0, 0.75, z - 1, one.title)
	for place, state in ipairs(one.states) do
		local i = place - 1
		put((i % 16) * 2, 1, z + math.floor(i / 16) * 2, state[1], state[2], state[3])
	end
	local name, byte = one.states[1][1], one.states[1][2]
	for x = -6, -4 do for y = 1, 3 do put(x, y, z + 2, name, byte) end end
	for x = -13, -9 do for y = 1, 4 do for dz = 0, 4 do
		local is_inside = x > -13 and x < -9 and y < 4 and dz > 0 and dz < 4
		local is_door = x == -11 and dz == 0 and y < 3
		if not is_inside and not is_door then put(x, y, z + dz, "obrank_gallery:wall") end
	end end end
	put(-11, 1, z + 2, name, byte)
	for x = -19, -15 do for dz = 0, 4 do
		local is_rim = x == -19 or x == -15 or dz == 0 or dz == 4
		put(x, 1, z + dz, is_rim and "obrank_gallery:wall" or "obrank_gallery:water")
	end end
	put(-18, 1, z + 2, name, byte)
	put(-16, 2, z + 2, name, byte)
	put(-21, 1, z + 2, "obrank_gallery:chest", 0, one.title .. ": what drops")
	local inventory = minetest.get_meta({ x = -21, y = 1, z = z + 2 }):get_inventory()
	for _, item in ipairs(one.drops) do inventory:add_item("main", item) end
end

local rows = math.ceil(#exhibits / 6)
local first_bay = rows * 5 + 8

local function finish()
	storage:set_string("built", "yes")
	print("gallery built")
	if minetest.settings:get_bool("obrank_gallery_stop") then minetest.request_shutdown() end
end

local function build(at)
	if at > #exhibits then return finish() end
	print("asked " .. at .. " of " .. #exhibits)
	local z = first_bay + (at - 1) * 11
	local x, near = ((at - 1) % 6) * 3, math.floor((at - 1) / 6) * 5
	local function then_bay()
		minetest.emerge_area({ x = -40, y = -16, z = z - 16 }, { x = 50, y = 16, z = z + 24 },
			function(_, _, left)
				if left > 0 then return end
				bay(z, exhibits[at])
				minetest.after(0, build, at + 1)
			end)
	end
	minetest.emerge_area({ x = x - 16, y = -16, z = near - 16 }, { x = x + 16, y = 16, z = near + 16 },
		function(_, _, left)
			if left > 0 then return end
			overview(at - 1, exhibits[at])
			then_bay()
		end)
end

minetest.register_on_mods_loaded(function()
	if storage:get_string("built") == "" then minetest.after(0, build, 1) end
end)
minetest.register_on_joinplayer(function(player)
	local name = player:get_player_name()
	minetest.set_player_privs(name, { interact = true, fly = true, fast = true, shout = true })
	player:override_day_night_ratio(1)
end)
`;

/** A mod that takes the eye of the one who joins where the picture is taken, and hides the rest. */
export const cameraLua = (
  pos: string,
  pitch: number,
): string => `-- Stands where the picture is taken.
minetest.register_on_joinplayer(function(player)
	player:set_physics_override({ gravity = 0, speed = 0, jump = 0 })
	player:hud_set_flags({ hotbar = false, healthbar = false, crosshair = false, wielditem = false,
		breathbar = false, minimap = false, basic_debug = false })
	player:set_sky({ type = "plain", base_color = "#e9e3d4", clouds = false })
	player:set_sun({ visible = false, sunrise_visible = false })
	player:set_stars({ visible = false })
	player:set_pos(${pos})
	player:set_look_horizontal(0)
	player:set_look_vertical(${pitch})
	player:set_properties({ visual_size = { x = 0, y = 0 }, textures = { "obrank_gallery_clear.png" } })
	print("gallery entered")
end)
`;
